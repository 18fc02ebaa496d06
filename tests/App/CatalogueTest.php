<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Definitions;
use LucidAscent\App\Catalogue\DrawnShapes;
use LucidAscent\App\Catalogue\EntryText;
use LucidAscent\App\Catalogue\Fault;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Readiness\GateOutcome;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CatalogueTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../catalogue';

    private static ?CatalogueFolder $folder = null;

    public function testTheShippedCatalogueIsWithoutFault(): void
    {
        self::assertSame([], array_map(strval(...), self::folder()->faults));
    }

    public function testItHoldsWhatATeacherExpects(): void
    {
        $postures = self::folder()->entries['posture'];
        self::assertGreaterThanOrEqual(65, count($postures));
        self::assertGreaterThanOrEqual(20, count(self::folder()->entries['test']));
        $targets = array_filter($postures, static fn (array $posture): bool => $posture['target']);
        foreach (['soles-together', 'shins-stacked', 'half-lotus', 'lotus', 'cow-face', 'pigeon', 'deep-pigeon',
            'leg-behind-head', 'compass', 'standing-bind', 'half-lotus-fold-bind', 'half-lotus-twist',
            'crossed-shin-balance', 'feet-to-navel'] as $id) {
            self::assertArrayHasKey($id, $targets);
            self::assertGreaterThanOrEqual(6, count([...$targets[$id]['rungs'], ...($targets[$id]['forms'] ?? [])]),
                $id);
            // Whatever it waits for, or does not: something leads there.
            self::assertNotSame([], [...self::folder()->graph()->prerequisites($id), ...self::folder()->graph()
                ->from('prepares', $id)], $id);
        }
    }

    public function testEveryLadderBeginsWithAGentleRungAndItsGatesNeverEase(): void
    {
        foreach (self::folder()->entries['posture'] as $id => $posture) {
            self::assertTrue($posture['rungs'][0]['gentle'] ?? false, $id);
            $highest = GateOutcome::NotNow;
            foreach ($posture['rungs'] as $rung) {
                $asked = array_column($rung['gates'] ?? [], 'sitting');
                foreach ($asked as $outcome) {
                    self::assertTrue(GateOutcome::from($outcome)->allows($highest),
                        "$id: {$rung['id']} asks for less than the rung below it");
                    $highest = GateOutcome::from($outcome);
                }
                self::assertFalse(($rung['gentle'] ?? false) && isset($rung['gates']),
                    "$id: a gate before a gentle rung");
            }
        }
    }

    public function testOnlyWhatLoadsNoFoldedKneeIsMeasuredThrough(): void
    {
        foreach (Definitions::ofPostures(self::folder()->entries['posture']) as $id => $posture) {
            foreach ($posture->rungs as $rung) {
                self::assertFalse($rung->isMeasuredThrough && (!$rung->isForAnybody()
                    || $rung->work->has(Load::WeightOnKnee) || [] !== $rung->gates), "$id: $rung->id");
            }
        }
    }

    /** What angles load is derived, whoever wrote the entry. */
    public function testTheLoadsOfEachTargetAreThoseOfItsAngles(): void
    {
        $postures = Definitions::ofPostures(self::folder()->entries['posture']);
        foreach (['half-lotus' => [Load::KneeFolded, Load::TurnOut],
            'pigeon' => [Load::KneeFolded, Load::TurnOut, Load::SplitLegged],
            'cow-face' => [Load::Crossing, Load::KneeFolded],
            'leg-behind-head' => [Load::HipFlexedEnd, Load::TurnOut, Load::Neck],
            'deep-pigeon' => [Load::HipExtendedEnd, Load::Backbend],
            'compass' => [Load::HamstringEnd, Load::LoadedFold], 'childs-pose' => [Load::KneeFolded],
            'windscreen-wipers' => [Load::TurnIn], 'half-lotus-fold-bind' => [Load::LoadedFold],
            'frog' => [Load::LegsWideEnd, Load::WeightOnKnee]] as $id => $loads) {
            foreach ($loads as $load) {
                self::assertTrue($postures[$id]->full()->work->has($load), "$id: $load->value");
            }
        }
    }

    /** Beside a knee that hurts the other foot lies on nobody's thigh: in no rung, form or test. */
    public function testAThighThatCarriesTheOtherFootLoadsItsKnee(): void
    {
        $entries = self::folder()->entries;
        $carries = static fn (string $contact): bool => str_starts_with($contact, 'figure-four-')
            && 'figure-four-standing' !== $contact;
        $found = [];
        foreach (Definitions::ofPostures($entries['posture']) as $id => $posture) {
            foreach (Shapes::of($entries['posture'][$id]) as $shape) {
                if ($carries($shape['demand']['contact'] ?? '')) {
                    $found["$id/$shape[id]"] = $posture->shapes()[$shape['id']]->work;
                }
            }
        }
        foreach (Definitions::ofTests($entries['test'], new DrawnShapes($entries['posture'])) as $id => $test) {
            if ($carries($entries['test'][$id]['formula'])) {
                $found[$id] = $test->work;
            }
        }
        self::assertGreaterThan(8, count($found));
        self::assertArrayHasKey('figure-four-lying', $found);
        self::assertArrayHasKey('figure-four-seated', $found);
        foreach ($found as $name => $work) {
            self::assertContains(Load::KneeFolded->value, $work->otherLegLoads, $name);
        }
    }

    /** A session goes from lying to what bears weight; what an entry says of it may not contradict its loads. */
    public function testEachRungSaysHowTheBodyIsHeldUp(): void
    {
        $bearing = [Load::WeightOnKnee, Load::Balance, Load::WeightOnHands];
        foreach (Definitions::ofPractice(self::folder()->entries['posture']) as $id => $rungs) {
            self::assertArrayHasKey('stance', self::folder()->entries['posture'][$id], $id);
            foreach ($rungs as $rung) {
                $isLying = $rung->rung->work->has(Load::LyingRest) || $rung->rung->work->has(Load::OnTheBack);
                $bears = !$isLying && [] !== array_filter($bearing, $rung->rung->work->has(...));
                self::assertTrue(!$isLying || Stance::Lying === $rung->stance, "$id: {$rung->rung->id}");
                self::assertTrue(!$bears || Stance::Bearing === $rung->stance || 'lying' === self::folder()
                    ->entries['posture'][$id]['family'], "$id: {$rung->rung->id}");
            }
        }
    }

    /** Who has none of it at home is not sent to it. */
    public function testAPropThatIsNamedIsAlsoCounted(): void
    {
        foreach (self::folder()->entries['posture'] as $id => $posture) {
            foreach ([...$posture['rungs'], ...($posture['forms'] ?? [])] as $rung) {
                foreach ($rung['props'] as $prop) {
                    $named = 1 === preg_match('/\b(block|blanket|bolster|cushion|strap|wall|chair)s?\b/i',
                        $prop['what']);
                    self::assertSame($named, isset($prop['takes']), "$id: {$rung['id']}: {$prop['what']}");
                }
            }
        }
    }

    #[DataProvider('faults')]
    public function testAFaultIsNamedWithItsFileAndLine(string $id, string $from, string $to, string $message): void
    {
        $text = (string) file_get_contents(self::FOLDER."/postures/$id.yaml");
        $broken = preg_replace('/'.preg_quote($from, '/').'/', $to, $text, 1);
        self::assertNotSame($text, $broken);
        [, $faults] = self::folder()->tried(Kind::Posture, (string) $broken, "postures/$id.yaml");
        self::assertNotSame([], $faults);
        self::assertStringContainsString($message, implode("\n",
            array_map(static fn (Fault $fault): string => $fault->message, $faults)));
        self::assertStringStartsWith("postures/$id.yaml:", (string) $faults[0]);
        // The line that is named is the changed one, or what stands just above it.
        $changed = array_key_first(array_diff_assoc(explode("\n", (string) $broken), explode("\n", $text))) + 1;
        self::assertLessThanOrEqual(4, abs($changed - $faults[0]->line), $faults[0]->line.' for '.$changed);
    }

    public static function faults(): iterable
    {
        yield 'an unknown unit' => ['pigeon', 'unit: breaths', 'unit: years', 'enum'];
        yield 'an unknown posture' => ['lotus', 'half-lotus: ', 'half-rose: ', '"half-rose", which is no posture'];
        yield 'a cycle' => ['half-lotus', "    needs:\n", "    needs:\n        lotus: the other way round\n",
            'leads back to itself'];
        yield 'a component that no test judges' => ['pinwheel', '- internal-rotation', '- patience', 'enum'];
        yield 'an ankle out of reach' => ['pigeon', 'hipHeight: 22', 'hipHeight: 60', 'does not come down'];
        yield 'an unknown contact' => ['pigeon', 'contact: pigeon-front', 'contact: handstand',
            'no contact of the leg chain'];
        yield 'a rung without a caution' => ['pigeon', "    loads:\n    - lying-rest\n    - on-the-back\n",
            "    loads: []\n", 'at least 1'];
        yield 'an unknown counterposture' => ['pigeon', "    - childs-pose\n", "    - grandchilds-pose\n",
            'which is no posture'];
        yield 'a stance that is none' => ['pigeon', 'stance: ', 'stance: hanging-', 'enum'];
        yield 'a prop that is taken less than once' => ['half-lotus', "            blanket: 1\n",
            "            blanket: 0\n", 'equal to 1'];
        yield 'a prop that nobody counts' => ['half-lotus', "            blanket: 1\n", "            hammock: 1\n",
            'dditional'];
        foreach (['.nan', '.inf', '-.inf', '1e999'] as $endless) {
            yield "an angle of $endless" => ['bridge', '        - 40', "        - $endless", 'finite number'];
            yield "a leg at $endless" => ['pigeon', 'hipHeight: 22', "hipHeight: $endless", 'finite number'];
        }
        yield 'a leg turned round and round' => ['bridge', '        - 40', '        - 1000000',
            'lower than or equal to 180'];
        yield 'not YAML' => ['pigeon', 'name: Pigeon', "\tname: Pigeon", 'tabs'];
    }

    public function testALineIsFoundThroughLists(): void
    {
        $text = "id: x\nrungs:\n-   id: a\n    hold:\n        value: 1\n-   id: b\n    hold:\n        value: 2\n";
        self::assertSame(8, EntryText::line($text, 'rungs/1/hold/value'));
        self::assertSame(3, EntryText::line($text, 'rungs/0'));
        self::assertSame(1, EntryText::line($text, ''));
    }

    private static function folder(): CatalogueFolder
    {
        return self::$folder ??= new CatalogueFolder((string) realpath(self::FOLDER));
    }
}
