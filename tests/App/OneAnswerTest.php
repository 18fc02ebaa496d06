<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\Fields;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Readiness\Rules;
use Symfony\Component\Uid\Uuid;

/** Twenty people drawn at random: whatever page or command is asked about one of them, there is one answer. */
final class OneAnswerTest extends AppTestCase
{
    private const PEOPLE = 20;
    private const SEED = 7349;
    private const TARGETS = ['half-lotus', 'lotus', 'pigeon', 'cow-face', 'leg-behind-head', 'shins-stacked', 'standing-bind', 'soles-together', 'easy-cross-leg', 'figure-four', 'seated-hamstring'];
    private const CONDITIONS = ['', '', '', 'knee-surgery', 'high-blood-pressure', 'osteoporosis', 'hip-replacement'];

    private \Random\Randomizer $random;

    public function testThereIsOneAnswerForOnePerson(): void
    {
        $this->random = new \Random\Randomizer(new \Random\Engine\Mt19937(self::SEED));
        $states = [];
        for ($i = 0; $i < self::PEOPLE; ++$i) {
            $teacher = $this->teacher("teacher$i@studio.example");
            $this->client->loginUser($teacher);
            [$practitioner, $document] = $this->somebody($this->practitioner($teacher, measured: false), $i);
            $answer = json_decode((string) json_encode(self::getContainer()->get(AssessAnswer::class)->of(Fields::of($document))), true);
            self::assertSame([], $answer['unread'], "person $i");
            $pages = $this->pages($practitioner, $document['wanted']);
            foreach ($document['wanted'] as $pose) {
                foreach (['left', 'right'] as $side) {
                    $expected = $answer['poses'][$pose][$side]['state'];
                    $states[$expected] = true;
                    foreach (['mat', 'person', 'pose', 'ladder', 'route'] as $page) {
                        self::assertSame($expected, $pages[$page]["$pose $side"] ?? null, "person $i, seed ".self::SEED.", $pose $side on the page $page");
                    }
                    $rung = $answer['poses'][$pose][$side]['rung'];
                    self::assertSame($rung, $pages['stand']["$pose $side"] ?? null, "person $i, $pose $side: the rung of the ladder");
                    self::assertSame($rung, $pages['library']["$pose $side"] ?? null, "person $i, $pose $side: the rung of the library");
                    foreach ($pages['plan']["$pose $side"] ?? [] as $planned) {
                        // While all of one side rests, the other goes on in gentle shapes, and no higher than it stands.
                        $isGentle = [] !== $document['events'] && true === self::catalogue()->rung($pose, $planned)?->isGentle();
                        // A shape of both sides at once is that of the side which is behind.
                        $ladder = array_map(static fn (PracticeRung $one): string => $one->rung->id, self::catalogue()->practice()[$pose]);
                        $isBehind = self::catalogue()->practice()[$pose][0]->isSymmetric && array_search($planned, $ladder, true) < array_search($rung, $ladder, true);
                        self::assertTrue($rung === $planned || $isGentle || $isBehind, "person $i, $pose $side: the rung of the plan is $planned, and $rung is where the side stands");
                    }
                }
            }
            self::assertSame([] !== $answer['held'] || [] !== ($document['events'] ?? []) || [] !== $document['conditions'], $pages['lab'], "person $i: what the lab says of holds");
        }
        self::assertGreaterThanOrEqual(4, count($states), 'A draw that met one state alone would have shown nothing: '.implode(', ', array_keys($states)));
    }

    /** @return array{Practitioner, array<string, mixed>} somebody on record, and the same person as a document */
    private function somebody(Practitioner $practitioner, int $i): array
    {
        $on = new \DateTimeImmutable('-2 days');
        $day = $on->format('Y-m-d');
        $wanted = $this->random->pickArrayKeys(array_flip(self::TARGETS), 2);
        $condition = self::CONDITIONS[$this->random->getInt(0, count(self::CONDITIONS) - 1)];
        $conditions = '' === $condition ? [] : [$condition];
        $document = ['on' => (new \DateTimeImmutable())->format('Y-m-d'), 'body' => ['stature' => 168], 'wanted' => $wanted, 'conditions' => $conditions, 'tests' => [], 'seen' => [], 'events' => []];
        $this->em()->persist(new BodyMeasures(Uuid::v7(), $practitioner, $practitioner->teacher, $on, 168.0, [], []));
        $assessment = new Assessment(Uuid::v7(), $practitioner, $practitioner->teacher, $on, false, $wanted, [], $conditions, '', true, 0, PainPlace::None, PainKind::Ache);
        $this->em()->persist($assessment);
        foreach ([
            'soles-together' => ['heelDistance' => [14, 30], 'kneeHeight' => [8, 18]],
            'shins-stacked' => ['ankleHeight' => [10, 10], 'kneeHeight' => [12, 34]],
            'frog' => ['span' => [62, 96]],
            'knee-hug' => ['angle' => [105, 135]],
            'leg-raise' => ['angle' => [50, 100]],
            'heel-to-seat' => ['gap' => [8, 22]],
            'inward-turn' => ['angle' => [20, 45]],
        ] as $kind => $values) {
            foreach (Side::cases() as $side) {
                if (1 === $this->random->getInt(1, 4)) {
                    continue;
                }
                $trial = array_map(fn (array $range): float => (float) $this->random->getInt($range[0], $range[1]), $values);
                $tool = isset($trial['angle']) ? 'inclinometer' : 'tape';
                $test = new Test(Uuid::v7(), Uuid::v7(), $practitioner, $practitioner->teacher, $kind, $side, $on, $tool, 0.0, 0, PainPlace::None, PainKind::Ache, [], Rules::VERSION);
                $test->add($trial);
                $this->em()->persist($test);
                $document['tests'][] = ['test' => $kind, 'side' => $side->value, 'tool' => $tool, 'on' => $day, 'trials' => [$trial]];
            }
        }
        foreach ($wanted as $pose) {
            if (1 === $this->random->getInt(1, 3)) {
                $rungs = self::catalogue()->postures()[$pose]->rungs;
                $rung = $rungs[$this->random->getInt(0, count($rungs) - 1)]->id;
                $isClean = 1 === $this->random->getInt(0, 1);
                $side = Side::cases()[$this->random->getInt(0, 1)];
                $this->em()->persist(new SeenRung(Uuid::v7(), $practitioner, $practitioner->teacher, $on, $pose, $rung, $side, $isClean, [], false, '', 0, PainPlace::None, PainKind::Ache));
                $document['seen'][] = ['posture' => $pose, 'rung' => $rung, 'side' => $side->value, 'clean' => $isClean, 'on' => $day];
            }
        }
        if (0 === $i % 4) {
            $side = Side::cases()[$this->random->getInt(0, 1)];
            $this->em()->persist(new PainSaid(Uuid::v7(), $practitioner, $practitioner->teacher, $on, $on, $side, 2, PainPlace::Knee, PainKind::Ache, 'before a session'));
            $document['events'][] = ['event' => 'pain', 'side' => $side->value, 'on' => $day, 'pain' => ['level' => 2, 'place' => 'knee', 'kind' => 'ache']];
        }
        $this->em()->flush();

        return [$practitioner, $document];
    }

    /**
     * @param list<string> $wanted
     *
     * @return array<string, mixed> by page, what it says of each pose and side
     */
    private function pages(Practitioner $practitioner, array $wanted): array
    {
        $home = "/practitioners/$practitioner->id";
        $said = ['mat' => [], 'pose' => [], 'ladder' => [], 'stand' => [], 'library' => [], 'plan' => []];
        $mat = $this->client->request('GET', '/');
        $said['mat'] = self::readings($mat->filter("[data-person=\"$practitioner->id\"]"));
        $said['person'] = self::readings($this->client->request('GET', $home));
        $said['route'] = self::readings($this->client->request('GET', "$home/route?".http_build_query(['wanted' => $wanted])));
        $library = $this->client->request('GET', "/library?person=$practitioner->id");
        foreach ($library->filter('[data-stand]') as $node) {
            [$posture, $side, $rung] = explode(' ', (string) $node->getAttribute('data-stand')) + [2 => ''];
            $said['library']["$posture $side"] = '' === $rung ? null : $rung;
        }
        foreach ($wanted as $pose) {
            $said['pose'] += self::readings($this->client->request('GET', "$home/poses/$pose"));
            $ladder = $this->client->request('GET', "$home/ladder/$pose");
            $said['ladder'] += self::readings($ladder);
            foreach ($ladder->filter('[data-stand]') as $node) {
                [$posture, $side, $rung] = explode(' ', (string) $node->getAttribute('data-stand'));
                $said['stand']["$posture $side"] = $rung;
            }
        }
        $said['lab'] = $this->client->request('GET', "$home/lab")->filter('.note.caution:not([hidden])')->count() > 0;
        $this->client->request('GET', "$home/plans/new");
        $this->client->submitForm('Make the plan', ['plan[weeks]' => '1', 'plan[minutes]' => '90', 'plan[blocks]' => '4', 'plan[blankets]' => '6', 'plan[strap]' => true]);
        $this->em()->clear();
        foreach ($this->em()->getRepository(PracticePlan::class)->findBy(['practitioner' => $practitioner->id]) as $plan) {
            foreach ($plan->plan['weeks'][0]['sessions'] as $session) {
                foreach ($session['items'] as $item) {
                    foreach ('work' === $item['phase'] ? ('both' === $item['side'] ? ['left', 'right'] : [$item['side']]) : [] as $side) {
                        // A form stands beside its rung, and a drill is no rung's practice.
                        $rung = self::catalogue()->named("$item[posture]/$item[rung]")['alternates_with'] ?? $item['rung'];
                        if (!isset($item['drill'])) {
                            $said['plan']["$item[posture] $side"][] = $rung;
                        }
                    }
                }
            }
        }

        return $said;
    }

    /** @return array<string, string> */
    private static function readings(\Symfony\Component\DomCrawler\Crawler $page): array
    {
        $readings = [];
        foreach ($page->filterXPath('descendant-or-self::*[@data-reading]') as $node) {
            [$posture, $side, $state] = explode(' ', (string) $node->getAttribute('data-reading'));
            self::assertSame($state, $readings["$posture $side"] ?? $state, 'One page says two things.');
            $readings["$posture $side"] = $state;
        }

        return $readings;
    }

    private static function catalogue(): Catalogue
    {
        return self::getContainer()->get(Catalogue::class);
    }
}
