<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\PosePurpose;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\Core\Posture\Purpose;
use PHPUnit\Framework\Attributes\DataProvider;

/** What a pose is wanted for decides on its form: in a plan, in a class, and in what the pages say. */
final class PurposeTest extends AppTestCase
{
    /**
     * Somebody who has passed pigeon up to its fold.
     *
     * @param list<string> $shapes that are planned of it, each once
     */
    #[DataProvider('purposes')]
    public function testThePlanTakesTheFormsForIt(?string $purpose, array $shapes): void
    {
        $document = ['on' => '2026-03-02', 'body' => ['stature' => 170], 'tests' => [], 'wanted' => ['pigeon'],
            'weeks' => 2, 'days' => ['mon', 'wed', 'fri'], 'minutes' => 60, 'school' => 'counted-breath',
            'props' => ['blocks' => 2, 'blankets' => 3, 'strap' => true], 'seen' => []]
            + (null === $purpose ? [] : ['purposes' => ['pigeon' => $purpose]]);
        foreach (['left', 'right'] as $side) {
            $trial = ['kneeHeight' => 9, 'ankleHeight' => 12];
            $document['tests'][] = ['test' => 'shins-stacked', 'side' => $side, 'trials' => [$trial, $trial]];
            foreach (['lying', 'wall', 'slanted', 'nearer', 'fold'] as $rung) {
                $document['seen'][] = ['posture' => 'pigeon', 'rung' => $rung, 'side' => $side, 'clean' => true];
            }
        }
        [$status, $out] = CommandLine::run('ascent:plan', (string) json_encode($document));
        self::assertSame(0, $status);
        $planned = [];
        foreach (json_decode($out, true)['weeks'] as $week) {
            foreach ($week['sessions'] as $session) {
                foreach ($session['items'] as $item) {
                    if ('pigeon' === $item['posture'] && 'work' === $item['phase']) {
                        $planned[] = $item['form'] ?? $item['rung'];
                    }
                }
            }
        }
        $planned = array_values(array_unique($planned));
        sort($planned);
        self::assertSame($shapes, $planned);
    }

    /** @return iterable<string, array{string|null, list<string>}> */
    public static function purposes(): iterable
    {
        yield 'nothing said' => [null, ['parallel']];
        yield 'the back of the hip' => ['back-of-hip', ['parallel', 'thigh-fold']];
        yield 'the front of the other hip' => ['front-of-hip', ['parallel', 'upright']];
        yield 'for a knee’s sake nothing loaded' => ['knee', ['side-lying']];
        yield 'what no form serves' => ['bind', ['parallel']];
        yield 'no purpose that there is' => ['fame', ['parallel']];
    }

    public function testItIsAskedBeforeTheTestsAndSaidWhereThePoseIs(): void
    {
        $teacher = $this->teacher();
        $person = $this->practitioner($teacher);
        $this->client->loginUser($teacher);
        $this->tested($person, 12.0, 16.0);
        $home = "/practitioners/$person->id";
        $begin = function (array $wanted, array $purposes) use ($home): void {
            $form = $this->client->request('GET', "$home/assessments/new")->selectButton('Show the tests')->form();
            $values = $form->getPhpValues();
            $values['before'] = ['consent' => '1', 'warm' => '1', 'wanted' => $wanted, 'purposes' => $purposes,
                'pain' => ['level' => '0', 'place' => 'none', 'kind' => 'ache']] + $values['before'];
            $this->client->request('POST', $form->getUri(), $values);
        };
        $begin(['pigeon', 'lotus'], ['pigeon' => 'fame']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'Choose from the list.');
        self::assertSame(0, $this->howMany(Assessment::class));
        // What is not wanted is wanted for nothing.
        $begin(['pigeon', 'lotus'], ['pigeon' => 'front-of-hip', 'lotus' => 'bind', 'half-lotus' => 'show']);
        self::assertResponseRedirects();
        $kept = $this->em()->getRepository(Assessment::class)->findAll()[0];
        self::assertEquals(['pigeon' => Purpose::FrontOfHip, 'lotus' => Purpose::Bind], $kept->purposes());
        $this->client->request('GET', $home);
        self::assertSelectorTextContains('.spine', 'the front of the hip');
        $this->client->request('GET', "$home/poses/pigeon");
        self::assertSelectorTextContains('main', 'Purpose: the front of the hip.');
        self::assertSelectorTextNotContains('main', 'does not serve it');
        $this->client->request('GET', "$home/poses/lotus");
        self::assertSelectorTextContains('main', 'This pose does not serve it. These do:');
        self::assertSelectorTextContains('main', 'most people need not be there');
        $this->client->request('GET', "$home/ladder/pigeon");
        self::assertSelectorTextContains('.stairs', 'For this purpose.');
        // The next time what was said stands there.
        $this->client->request('GET', "$home/assessments/new");
        self::assertSelectorExists('#before_purposes_pigeon option[value="front-of-hip"][selected]');
        $begin(['pigeon'], []);
        $this->client->request('GET', $home);
        self::assertSelectorTextNotContains('.spine', 'the front of the hip');
    }

    public function testWhatIsForShowIsSaidOfItsRungsAlone(): void
    {
        $purposes = self::getContainer()->get(PosePurpose::class);
        self::assertTrue($purposes->isForShow('lotus', 'full'));
        self::assertFalse($purposes->isForShow('lotus', 'circle'));
        self::assertTrue($purposes->isForShow('half-lotus', 'other-straight'));
        self::assertFalse($purposes->isForShow('pigeon', 'parallel'));
        self::assertFalse($purposes->isForShow('gone', 'gone'));
        foreach (Purpose::cases() as $purpose) {
            $serving = $purposes->serving($purpose);
            foreach ($serving as $id) {
                self::assertTrue($purposes->serves($id, $purpose), "$id $purpose->value");
                self::assertArrayHasKey($id, self::getContainer()->get(Catalogue::class)->postures());
            }
            self::assertLessThanOrEqual(3, count($serving));
        }
        self::assertNotSame([], $purposes->serving(Purpose::Bind));
    }
}
