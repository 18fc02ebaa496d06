<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\DecideAnswer;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Log\PractisedSide;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Repository\AboutPerson;
use LucidAscent\App\Repository\AskedOnce;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Readiness\ReadPoses;
use Symfony\Component\Uid\Uuid;

/** People drawn at random: whatever page or command is asked about one of them, there is one answer. */
final class OneAnswerTest extends AppTestCase
{
    private const PEOPLE = 40;
    private const HISTORIES = 1000;
    private const SEED = 7349;

    private \Random\Randomizer $random;

    public function testThereIsOneAnswerForOnePerson(): void
    {
        $this->random = new \Random\Randomizer(new \Random\Engine\Mt19937(self::SEED));
        $states = [];
        for ($i = 0; $i < self::PEOPLE; ++$i) {
            $teacher = $this->teacher("teacher$i@studio.example");
            $this->client->loginUser($teacher);
            $practitioner = $this->practitioner($teacher, measured: false);
            $drawn = new DrawnHistory($practitioner, self::catalogue(), $this->random, new \DateTimeImmutable());
            array_map($this->em()->persist(...), $drawn->records());
            $this->em()->flush();
            $document = $drawn->document();
            $answer = json_decode((string) json_encode(self::getContainer()->get(AssessAnswer::class)
                ->of(Fields::of($document))), true);
            self::assertSame([], array_filter($answer['unread'],
                static fn (array $one): bool => !in_array($one['code'], ['painful', 'compensated'], true)),
                "person $i");
            $pages = $this->pages($practitioner, $document['wanted']);
            foreach ($document['wanted'] as $pose) {
                foreach (['left', 'right'] as $side) {
                    $expected = $answer['poses'][$pose][$side]['state'];
                    $states[$expected] = true;
                    foreach (['mat', 'person', 'pose', 'ladder', 'route'] as $page) {
                        self::assertSame($expected, $pages[$page]["$pose $side"] ?? null,
                            "person $i, seed ".self::SEED.", $pose $side on the page $page");
                    }
                    $rung = $answer['poses'][$pose][$side]['rung'];
                    self::assertSame($rung, $pages['stand']["$pose $side"] ?? null,
                        "person $i, $pose $side: the rung of the ladder");
                    self::assertSame($rung, $pages['library']["$pose $side"] ?? null,
                        "person $i, $pose $side: the rung of the library");
                    foreach ($pages['plan']["$pose $side"] ?? [] as $planned) {
                        // While all of one side rests, the other goes on in gentle shapes, and no higher than it
                        // stands.
                        $isGentle = [] !== $document['events'] && true === self::catalogue()
                            ->rung($pose, $planned)?->isForAnybody();
                        // A shape of both sides at once is that of the side which is behind.
                        $ladder = array_map(static fn (PracticeRung $one): string => $one->rung->id, self::catalogue()
                            ->practiceRungs()[$pose]);
                        $isBehind = self::catalogue()->practiceRungs()[$pose][0]->isSymmetric
                            && array_search($planned, $ladder, true) < array_search($rung, $ladder, true);
                        self::assertTrue($rung === $planned || $isGentle || $isBehind,
                            "person $i, $pose $side: the rung of the plan is $planned, and $rung is where the side stands");
                    }
                }
            }
            $holds = self::getContainer()->get(ReadPerson::class)
                ->now($this->em()->find(Practitioner::class, $practitioner->id)
                ?? self::fail())?->person->holds->active;
            self::assertSame([] !== $holds, $pages['lab'], "person $i: what the lab says of holds");
        }
        self::assertGreaterThanOrEqual(4, count($states),
            'A draw that met one state alone would have shown nothing: '.implode(', ', array_keys($states)));
    }

    /**
     * A thousand, each of them written down as records, as a record file and as a document, read today and, every
     * fourth, as of a day before: every state, rung, reason, hold and next step is the same.
     */
    public function testThereIsOneAnswerForOneHistoryInWhateverFormItComes(): void
    {
        $assess = self::getContainer()->get(AssessAnswer::class);
        $teacher = new Teacher(Uuid::v7(), 'nobody@studio.example', 'A Teacher', new \DateTimeImmutable('-1 year'));
        $states = $steps = [];
        $lifted = 0;
        for ($i = 0; $i < self::HISTORIES; ++$i) {
            $practitioner = new Practitioner(Uuid::v7(), $teacher, 'A Person', new \DateTimeImmutable('-1 year'),
                new \DateTimeImmutable('-1 year'));
            $drawn = new DrawnHistory($practitioner, self::catalogue(),
                new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar($i)),
                new \DateTimeImmutable('now', new \DateTimeZone('UTC')));
            $expected = self::plain($assess->of(Fields::of($drawn->document())));
            self::assertSame($expected, self::plain($assess->of(Fields::of(self::plainly($drawn->recordFile())))),
                "history $i as a record file");
            $history = $this->supposed($practitioner, $drawn);
            $poses = self::getContainer()->get(ReadPerson::class)->supposed($practitioner, $history);
            self::assertNotNull($poses);
            self::assertSame($expected, self::plain($assess->answer($poses, $drawn->wanted)), "history $i as records");
            if (0 === $i % 4) {
                $ago = 1 + $i % 30;
                $then = (new \DateTimeImmutable("-$ago days", new \DateTimeZone('UTC')))->setTime(23, 0);
                $earlier = $this->reading()->snapshot($history, $then, false);
                self::assertNotNull($earlier);
                self::assertSame(self::plain($assess->of(Fields::of($drawn->document($ago)))),
                    self::plain($assess->answer($poses->with($earlier), $drawn->wanted)),
                    "history $i as of $ago days ago");
            }
            $lifted += [] === $poses->person->holds->cleared ? 0 : 1;
            foreach ($drawn->wanted as $pose) {
                $states[$expected['poses'][$pose]['left']['state']] = true;
            }
            $last = $drawn->lastCheck();
            if (null !== $last) {
                $steps[$this->decision($drawn, $last, $poses, $i)] = true;
            }
        }
        self::assertCount(6, $states, implode(', ', array_keys($states)));
        self::assertGreaterThan(self::HISTORIES / 20, $lifted);
        self::assertGreaterThanOrEqual(4, count($steps), implode(', ', array_keys($steps)));
    }

    /** @return string what comes next on a rung: as the page proposes it and as the command does */
    private function decision(DrawnHistory $drawn, RungCheck $last, ReadPoses $poses, int $i): string
    {
        [$posture, $rung, $side, $sessions] = $drawn->practised() ?? self::fail();
        $practice = self::getContainer()->get(PractisedSide::class)->of($last, $poses);
        $page = Decide::proposal($practice);
        $document = ['posture' => $posture, 'rung' => $rung, 'side' => $side->value, 'on' => $drawn->document()['on'],
            'next' => $practice->nextOpen ? 'open' : 'short', 'sessions' => $sessions, 'events' => $drawn->events()];
        $command = self::getContainer()->get(DecideAnswer::class)->of(Fields::of($document));
        // The command knows of what its sessions and events say, and not of what holds elsewhere.
        if ([] === $practice->heldBy) {
            self::assertSame($page->step->value, $command['decision'], "history $i: what comes next");
            self::assertSame(array_map(static fn ($check): string => $check->day(), $page->restsOn),
                $command['restsOn'], "history $i");
        }

        return $page->step->value;
    }

    private function supposed(Practitioner $practitioner, DrawnHistory $drawn): History
    {
        $by = $drawn->byKind();
        $tests = array_values(array_filter($by[Test::class] ?? [],
            static fn (object $one): bool => $one instanceof Test));
        self::getContainer()->get(AskedOnce::class)->suppose($practitioner,
            AboutPerson::newestFirst([Test::class => array_values(array_filter($tests,
                static fn (Test $test): bool => $test->hurts))] + $by));

        return self::getContainer()->get(PersonHistory::class)->supposed($practitioner, $tests);
    }

    private function reading(): ReadHistory
    {
        return new ReadHistory(self::catalogue()->postures(), self::catalogue()->tests());
    }

    /**
     * @param array<string, mixed> $answer
     *
     * @return array<string, mixed> as JSON has it; soreness goes by the name of its session in a document
     */
    private static function plain(array $answer): array
    {
        return array_diff_key(json_decode(str_replace('"sore:', '"check:', (string) json_encode($answer)), true),
            ['unread' => 0]);
    }

    /**
     * @param array<string, mixed> $answer
     *
     * @return array<string, mixed>
     */
    private static function plainly(array $answer): array
    {
        return json_decode((string) json_encode($answer), true);
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
        $said['route'] = self::readings($this->client->request('GET',
            "$home/route?".http_build_query(['wanted' => $wanted])));
        $library = $this->client->request('GET', "/library?person=$practitioner->id");
        foreach ($library->filter('[data-stand]') as $node) {
            self::assertInstanceOf(\DOMElement::class, $node);
            [$posture, $side, $rung] = explode(' ', (string) $node->getAttribute('data-stand')) + [2 => ''];
            $said['library']["$posture $side"] = '' === $rung ? null : $rung;
        }
        foreach ($wanted as $pose) {
            $said['pose'] += self::readings($this->client->request('GET', "$home/poses/$pose"));
            $ladder = $this->client->request('GET', "$home/ladder/$pose");
            $said['ladder'] += self::readings($ladder);
            foreach ($ladder->filter('[data-stand]') as $node) {
                self::assertInstanceOf(\DOMElement::class, $node);
                [$posture, $side, $rung] = explode(' ', (string) $node->getAttribute('data-stand'));
                $said['stand']["$posture $side"] = $rung;
            }
        }
        $said['lab'] = $this->client->request('GET', "$home/lab")->filter('.note.caution:not([hidden])')->count() > 0;
        $this->client->request('GET', "$home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1', 'plan[minutes]' => '90',
            'plan[blocks]' => '4', 'plan[blankets]' => '6', 'plan[strap]' => true]);
        $this->em()->clear();
        foreach ($this->em()->getRepository(PracticePlan::class)
            ->findBy(['practitioner' => $practitioner->id]) as $plan) {
            foreach ($plan->plan['weeks'][0]['sessions'] as $session) {
                foreach ($session['items'] as $item) {
                    foreach ('work' === $item['phase'] ? ('both' === $item['side'] ? ['left', 'right']
                        : [$item['side']]) : [] as $side) {
                        // A form stands beside its rung, and a drill is no rung's practice.
                        $rung = self::catalogue()->named("$item[posture]/$item[rung]")['alternates_with']
                            ?? $item['rung'];
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
            self::assertInstanceOf(\DOMElement::class, $node);
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
