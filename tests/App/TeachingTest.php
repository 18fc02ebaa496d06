<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Definitions;
use LucidAscent\App\Catalogue\DrawnShapes;
use LucidAscent\App\Catalogue\EntryFields;
use LucidAscent\App\Catalogue\EntryText;
use LucidAscent\App\Catalogue\Fault;
use LucidAscent\App\Catalogue\Field;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Library;
use LucidAscent\App\Catalogue\TeachingGaps;
use LucidAscent\App\Figure\FigureGaps;
use LucidAscent\App\Text\HoldText;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Posture\PrerequisiteGraph;
use LucidAscent\Core\Posture\ReachKind;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Translation\Loader\YamlFileLoader;
use Symfony\Component\Translation\Translator;

/** What a teacher teaches from: cues, faults, feelings, drills, forms for a purpose, and what to go to instead. */
final class TeachingTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../catalogue';

    private static ?CatalogueFolder $folder = null;

    public function testTheShippedCatalogueLeavesNoGap(): void
    {
        self::assertSame([], array_map(strval(...), [...self::folder()->gaps(),
            ...FigureGaps::inFolder(self::folder())]));
    }

    public function testItIsLargeEnoughToTeachFrom(): void
    {
        self::assertGreaterThanOrEqual(65, count(self::folder()->entries['posture']));
        self::assertGreaterThanOrEqual(250, count(self::rungs()));
        self::assertGreaterThanOrEqual(15, count(self::folder()->entries['drill']));
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('gaps')]
    public function testAGapIsNamed(array $change, string $said): void
    {
        $entries = self::folder()->entries;
        $entries['posture']['pigeon'] = array_replace($entries['posture']['pigeon'],
            array_diff_key($change, ['rung' => 0]));
        $entries['posture']['pigeon']['rungs'][0] = array_replace($entries['posture']['pigeon']['rungs'][0],
            $change['rung'] ?? []);
        self::assertContains($said, self::gapsOf($entries));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function gaps(): iterable
    {
        yield 'one cue' => [['rung' => ['cues' => ['Alone']]], 'pigeon rungs/0/cues has fewer than two cues.'];
        yield 'a cue of thirteen words' => [['rung' => ['cues' => ['One',
            'one two three four five six seven eight nine ten eleven twelve thirteen']]],
            'pigeon rungs/0/cues has a cue of more than 12 words: "one two three four five six seven eight nine ten eleven twelve thirteen".'];
        yield 'a shin under weight, and a foot that nobody minds' => [['rung' => ['cues' => ['Long', 'Light'],
            'loads' => ['turn-out', 'weight-on-knee']]],
            'pigeon rungs/0/cues has a turned-out shin under weight, and says not what its foot does.'];
        yield 'a place that is never right' => [['rung' => ['felt' => ['outer-seat', 'low-back']]],
            'pigeon rungs/0/felt is to be felt at "low-back", which is never right.'];
        yield 'no place' => [['rung' => ['felt' => []]], 'pigeon rungs/0/felt says not where it is felt.'];
        yield 'no load' => [['rung' => ['loads' => []]], 'pigeon rungs/0/loads says not what it loads.'];
        yield 'a neck that nobody asks about' => [['rung' => ['loads' => ['neck'],
            'position' => ['Sit.', 'The neck.']]], 'pigeon rungs/0/position loads the neck, and does not begin with asking about it.'];
        yield 'the way out of another stance' => [['rung' => ['stance' => 'seated', 'way_out' => 'Out of all.']] +
            ['defaults' => ['way_out' => 'Out of all.']], 'pigeon rungs/0/way_out is the way out of another stance.'];
        yield 'lying, and a sitting bone that carries' => [['rung' => ['check' => ['One sitting bone is light.']]],
            'pigeon rungs/0/check says "One sitting bone is light", which is of another stance.'];
        yield 'on the front, and on the back' => [['rung' => ['loads' => ['prone'],
            'cues' => ['Roll', 'Rest on the back']]],
            'pigeon rungs/0/cues says "on the back", which is of another stance.'];
        yield 'no pair' => [['rung' => ['fault' => []]], 'pigeon rungs/0/fault names no fault as a pair.'];
        yield 'no knee-safe form' => [['rung' => ['knee_safe' => ['how' => 'Somehow.']]],
            'pigeon rungs/0/knee_safe names no rung to go to instead.'];
        $pigeon = ['contact' => 'pigeon-front', 'values' => ['hipHeight' => 20, 'shinAngle' => 30, 'pelvicTilt' => 0],
            'unit' => 'cm and degrees', 'source' => 'own'];
        yield 'a prop that lies nowhere' => [['rung' => ['props' => [['what' => 'Block', 'found' => 'By eye.']]]],
            'pigeon rungs/0/props/0/at says not where the prop lies.'];
        yield 'a height by eye' => [['rung' => ['demand' => $pigeon,
            'props' => [['what' => 'Block', 'at' => 'hip', 'found' => 'By eye.']]]],
            'pigeon rungs/0/props/0 leaves a height to the eye that the rule hip-gap would find.'];
        yield 'a rule for another place' => [['rung' => ['demand' => $pigeon,
            'props' => [['what' => 'Block', 'at' => 'hip', 'found' => 'By eye.', 'rule' => 'knee-gap']]]],
            'pigeon rungs/0/props/0 leaves a height to the eye that the rule hip-gap would find.'];
        $strap = static fn (string $at): array => ['props' => [['what' => 'Strap', 'at' => $at, 'found' => 'By eye.']]];
        yield 'a strap that nobody reaches for' => [['rung' => $strap('hand-to-foot')],
            'pigeon rungs/0/props/0 has a strap, and says not what reaches for what.'];
        yield 'hands a strap apart, by eye' => [['rung' => $strap('between-hands') + [
            'reach' => ['kind' => 'over-under'], 'demand' => ['thresholds' => [['component' => 'shoulder-reach']]]]],
            'pigeon rungs/0/props/0 leaves a height to the eye that the rule hands-gap would find.'];
        yield 'a strap overhead, by eye' => [['rung' => $strap('hand-to-foot') + ['reach' => ['kind' => 'overhead']]],
            'pigeon rungs/0/props/0 leaves a height to the eye that the rule foot-strap would find.'];
        foreach (['ways_in' => 'how one gets into it', 'arms' => 'where the arms go',
            'other_leg_place' => 'where the other leg goes'] as $of => $what) {
            yield "deep, and no $of" => [['rung' => ['gentle' => false]], "pigeon rungs/0/$of says not $what."];
        }
        yield 'no level' => [['level' => null], 'pigeon id says nothing of its level.'];
    }

    /** Who is held from a shape is not let into it by way of a test of it. */
    public function testATestInAShapeLoadsWhatTheShapeLoads(): void
    {
        ['posture' => $postures, 'test' => $tests] = self::folder()->entries;
        $drawn = new DrawnShapes($postures);
        $in = array_filter($tests, static fn (array $test): bool => isset($test['pose']['like']));
        self::assertGreaterThan(20, count($in));
        foreach ($in as $id => $test) {
            [$posture, $rung] = explode('/', $test['pose']['like']);
            $shapes = Definitions::ofPosture($postures[$posture], $drawn)->shapes();
            $shape = array_column($shapes, null, 'id')[$rung]->work;
            $taken = Definitions::ofTest($test, $drawn)->work;
            self::assertSame([], array_diff($shape->loads, $taken->loads, [Load::LyingRest->value]), $id);
            self::assertSame([], array_diff($shape->otherLegLoads, $taken->otherLegLoads), $id);
        }
    }

    /** A teacher's own shape has a strap and no word of a reach: it is what the strap's rule is for. */
    public function testAStrapWithoutAWordIsBetweenTheHandsOrRoundTheFootBehind(): void
    {
        $drawn = new DrawnShapes(self::folder()->entries['posture']);
        $strap = static fn (string $rule, array $with = []): array => $with + ['props' => [['rule' => $rule]]];
        $back = ['other_leg' => ['contact' => 'deep-pigeon-back', 'values' => ['hipHeight' => 17, 'kneeFlexion' => 105,
            'backBend' => 85, 'shoulderFlexion' => 170, 'elbowFlexion' => 60, 'pelvicTilt' => 50]]];
        self::assertSame([ReachKind::OverUnder, ReachKind::Overhead, null, null, ReachKind::Floor], array_map(
            static fn (array $shape): ?ReachKind => $drawn->reach($shape)?->kind(), [$strap('hands-gap'),
                $strap('foot-strap', $back), $strap('foot-strap'), $strap('knee-gap'),
                $strap('hands-gap', ['reach' => ['kind' => 'floor'], 'pose' => ['base' => 'standing']])]));
    }

    public function testAPostureThatNothingLeadsToIsNamed(): void
    {
        $entries = self::folder()->entries;
        unset($entries['posture']['heron']['remedies']);
        self::assertContains('heron id is wanted by nobody, and no route, plan or remedy leads to it.',
            self::gapsOf($entries));
    }

    public function testARemedyThatNothingOffersIsNamed(): void
    {
        $entries = self::folder()->entries;
        foreach (['posture', 'drill'] as $kind) {
            $entries[$kind] = array_map(static fn (array $entry): array => ['remedies' => array_diff($entry['remedies']
                ?? [], ['ankle'])] + $entry, $entries[$kind]);
        }
        self::assertContains('postures remedies has nothing to offer for ankle.', self::gapsOf($entries));
    }

    /**
     * @return iterable<string, array{string, string, string, string}> file, what it has, what stands instead, what is
     *     said
     */
    public static function brokenNames(): iterable
    {
        yield 'a knee-safe form' => ['pigeon', 'rung: pigeon/side-lying', 'rung: pigeon/hanging',
            '"pigeon/hanging", which is no rung'];
        yield 'a form of no rung' => ['pigeon', 'alternates_with: slanted', 'alternates_with: upside-down',
            '"upside-down", which is no rung of it'];
        yield 'a drill' => ['pigeon', '- rock-in', '- rock-out', '"rock-out", which is no drill'];
        yield 'a hold that begins above its end' => ['pigeon', "        least: 8\n", "        least: 80\n",
            'begins above its end'];
        yield 'a place that is none' => ['pigeon', "    - outer-seat\n", "    - left-ear\n", 'enum'];
        yield 'a level that is none' => ['pigeon', 'level: teacher-first', 'level: everybody', 'enum'];
        yield 'a prop at home' => ['half-lotus', "            blanket: 1\n", "            hammock: 1\n", 'dditional'];
    }

    #[DataProvider('brokenNames')]
    public function testANameThatLeadsNowhereIsAFault(string $posture, string $from, string $to, string $said): void
    {
        $text = (string) file_get_contents(self::FOLDER."/postures/$posture.yaml");
        self::assertStringContainsString($from, $text);
        [, $faults] = self::folder()->tried(Kind::Posture, (string) preg_replace('/'.preg_quote($from, '/').'/', $to,
            $text, 1), "postures/$posture.yaml");
        self::assertNotSame([], $faults);
        self::assertStringContainsString($said, implode(' ', array_map(strval(...), $faults)));
    }

    /** Where the knee is to rest, nothing stands on it. */
    public function testAKneeSafeFormSparesTheKnee(): void
    {
        $all = self::rungs();
        foreach ($all as $name => [$rung]) {
            [, $work] = $all[$rung['knee_safe']['rung']];
            self::assertFalse($work->has(Load::WeightOnKnee), "$name goes to {$rung['knee_safe']['rung']}.");
            [$lying, $lyingWork] = $all[$rung['lying']['rung']];
            self::assertFalse($lyingWork->has(Load::Balance) || $lyingWork->has(Load::WeightOnHands) && 'plank'
                !== explode('/', $rung['lying']['rung'])[0], "$name lies at {$rung['lying']['rung']}.");
        }
    }

    /** A form stands beside its rung: it may be gentler, and asks for no more than the gates that the rung has. */
    public function testAFormIsNoStepOfTheLadder(): void
    {
        foreach (self::folder()->entries['posture'] as $id => $posture) {
            $definition = Definitions::ofPosture($posture, new DrawnShapes(self::folder()->entries['posture']));
            $steps = array_map(static fn ($rung): string => $rung->id, $definition->rungs);
            foreach ($definition->forms as $of => $forms) {
                self::assertContains($of, $steps, $id);
                foreach ($forms as $form) {
                    self::assertNotContains($form->id, $steps, $id);
                    $main = $definition->rungs[(int) array_search($of, $steps, true)];
                    if (!$form->isForAnybody()) {
                        self::assertEquals($main->gates, $form->gates, "$id/$form->id");
                    }
                }
            }
        }
    }

    /**
     * One sheet for each pose that somebody may want: what its rungs ask, load and lead to. A change shows here, to be
     * looked at; SHEETS=write writes them anew.
     */
    #[DataProvider('targets')]
    public function testTheSheetOfATargetIsAsItWas(string $id): void
    {
        $file = __DIR__."/sheets/$id.txt";
        $sheet = self::sheet($id);
        if ('write' === getenv('SHEETS')) {
            file_put_contents($file, $sheet);
        }
        self::assertStringEqualsFile($file, $sheet);
    }

    /** @return iterable<string, array{string}> */
    public static function targets(): iterable
    {
        foreach (self::folder()->entries['posture'] as $id => $posture) {
            if (true === $posture['target']) {
                yield $id => [$id];
            }
        }
    }

    private static function sheet(string $id): string
    {
        $posture = self::folder()->entries['posture'][$id];
        $lines = ["$posture[name]: $posture[level]; ".implode(', ', $posture['purposes'])];
        foreach ([...$posture['rungs'], ...($posture['forms'] ?? [])] as $rung) {
            [, $work] = self::rungs()["$id/$rung[id]"];
            $loads = $work->loads;
            sort($loads);
            $asks = static fn (array $demand): string => implode('; ', array_filter([
                trim(($demand['contact'] ?? '').' '.implode(', ',
                    array_map(static fn (string $name, float|int $value): string => "$name $value",
                        array_keys($demand['values'] ?? []), array_values($demand['values'] ?? [])))),
                implode(', ', array_map(static fn (array $t): string => "{$t['component']} {$t['at_least']['value']}",
                    $demand['thresholds'] ?? [])),
            ]));
            $lines[] = (isset($rung['alternates_with']) ? "  or, for {$rung['alternates_with']}: "
                : '- ').$rung['name'].(true === ($rung['gentle'] ?? false) ? ' (gentle)' : '');
            foreach ([
                'asks' => $asks($rung['demand']).(isset($rung['other_leg']) ? '; other leg: '.$asks($rung['other_leg'])
                    : ''),
                'hold' => self::durations()->of($rung['hold']),
                'loads' => implode(', ', $loads),
                'gates' => implode(', ', array_map(static fn (array $gate): string => key($gate).' '.current($gate),
                    $rung['gates'] ?? [])),
                'faults' => implode(', ', array_column($rung['compensations'], 'id')),
                'felt' => implode(', ', $rung['felt']),
                'instead' => "{$rung['knee_safe']['rung']}, lying {$rung['lying']['rung']}",
            ] as $name => $text) {
                $lines[] = rtrim("    $name: $text");
            }
        }

        return implode("\n", $lines)."\n";
    }

    public function testPigeonUprightAndFoldedAreTwoPurposesOfOneStep(): void
    {
        $pigeon = self::folder()->entries['posture']['pigeon'];
        self::assertNotContains('upright', array_column($pigeon['rungs'], 'id'));
        self::assertSame('fold', array_column($pigeon['forms'], 'alternates_with', 'id')['upright']);
        $soles = self::folder()->entries['posture']['soles-together'];
        self::assertSame('wall', array_column($soles['forms'], 'alternates_with', 'id')['long'],
            'Long sitting is there from the first week.');
        $wall = array_column(self::folder()->entries['posture']['cow-face']['rungs'], null, 'id')['wall'];
        self::assertSame('lying', $wall['stance']);
    }

    public function testBothSidesAlikeIsNoConditionForGoingOn(): void
    {
        foreach (self::rungs() as $name => [$rung]) {
            self::assertDoesNotMatchRegularExpression('/\balike\b/', implode(' ', $rung['check']), $name);
        }
    }

    public function testTheDocumentIsWhatItsSchemaSays(): void
    {
        [$status, $out] = CommandLine::run('ascent:catalogue', '', ['--format=json']);
        self::assertSame(0, $status);
        $schema = json_decode((string) file_get_contents(self::FOLDER.'/schema/catalogue.json'));
        self::assertNull((new Validator())->validate(json_decode($out), $schema)->error());
        $document = json_decode($out, true);
        $rungs = array_merge(...array_column($document['postures'], 'rungs'));
        self::assertCount(count(self::rungs()), $rungs);
        $half = array_column(array_column($document['postures'], null, 'id')['half-lotus']['rungs'], null,
            'id')['seated-half-lotus'];
        self::assertContains('turn-out', $half['loads']);
        self::assertContains('knee-folded', $half['loads']);
        self::assertSame(['least', 'most', 'unit'], array_slice(array_keys($half['hold']), 0, 3));
        self::assertFalse((new Validator())->validate(Helper::toJSON(['postures' => []]), $schema)->isValid());
        [$status, , $err] = CommandLine::run('ascent:catalogue', '', ['--format=xml']);
        self::assertSame(2, $status);
        self::assertStringContainsString('json', $err);
    }

    /** Every name that people use finds its posture: without its marks, and with one letter wrong. */
    public function testEveryNameIsFound(): void
    {
        $postures = self::folder()->entries['posture'];
        foreach ($postures as $id => $posture) {
            foreach ([$posture['name'], ...($posture['sanskrit'] ?? []), ...($posture['also'] ?? [])] as $name) {
                self::assertContains($id, Library::search($name, $postures), $name);
                $plain = (string) \Transliterator::create('Any-Latin; Latin-ASCII')?->transliterate($name);
                self::assertContains($id, Library::search($plain, $postures), $plain);
                foreach (array_filter(explode(' ', strtolower($plain)),
                    static fn (string $word): bool => strlen($word) > 5 && ctype_alpha($word)) as $word) {
                    $wrong = substr_replace($word, 'q', 3, 1);
                    self::assertContains($id, Library::search($wrong, $postures), "$wrong for $word");
                }
            }
        }
    }

    public function testTheLibraryIsSearchedByWhatATeacherLooksFor(): void
    {
        $pigeon = self::folder()->entries['posture']['pigeon'];
        self::assertTrue(Library::suits($pigeon, 'knee', '', '', ''), 'Its form on the side.');
        self::assertFalse(Library::suits($pigeon, 'balance', '', '', ''));
        self::assertTrue(Library::suits($pigeon, '', 'teacher-first', 'rotation', ''));
        self::assertFalse(Library::suits($pigeon, '', 'anyone', '', ''));
        self::assertFalse(Library::suits($pigeon, '', '', 'ankle', ''));
        self::assertTrue(Library::suits($pigeon, '', '', '', 'nothing'), 'Lying figure four takes nothing.');
        $strap = self::folder()->entries['posture']['hand-to-big-toe'];
        self::assertFalse(Library::suits($strap, '', '', '', 'nothing'));
        self::assertTrue(Library::suits($strap, '', '', '', 'strap'));
        self::assertTrue(Library::suits($strap, '', '', '', 'no such thing'), 'What nobody asked for filters nothing.');
    }

    public function testTheFormOffersWhatTheSchemasAllow(): void
    {
        $schema = json_decode((string) file_get_contents(self::FOLDER.'/schema/posture.json'), true);
        $offered = static fn (array $fields): array => array_filter(
            array_column(array_map(static fn (Field $field): array => [$field->path, $field->choices], $fields), 1, 0),
        );
        $rung = $offered(EntryFields::rung());
        $posture = $offered(EntryFields::of(Kind::Posture));
        self::assertSame($schema['$defs']['place']['enum'], $rung['felt']);
        self::assertSame($schema['$defs']['rung']['properties']['view']['enum'], $rung['view']);
        self::assertSame($schema['properties']['level']['enum'], $posture['level']);
        self::assertSame($schema['$defs']['purpose']['enum'], $posture['purposes']);
        self::assertSame($schema['$defs']['remedy']['enum'], $posture['remedies']);
        self::assertSame(Remedy::names(), $posture['remedies']);
        self::assertSame($schema['$defs']['place']['enum'],
            array_column(self::folder()->entries['feeling']['places']['items'], 'id'),
            'Of each place something says what it means.');
    }

    /** Entries of teachers, written before a hold had a range and a safer form a name, go on being read. */
    public function testAnOlderEntryIsReadAsItWasMeant(): void
    {
        $text = (string) file_get_contents(self::FOLDER.'/postures/tree.yaml');
        $old = preg_replace(['/least: \d+\n\s+most: (\d+)/', "/knee_safe:\n\s+rung: \S+/", "/ lying:\n\s+rung: \S+/"],
            ['value: $1', 'knee_safe: Toes of the other foot on the floor.', ' lying: On the back.'], $text);
        [$entry, $faults] = EntryText::read(Kind::Posture, (string) $old, 'tree.yaml', self::FOLDER.'/schema');
        self::assertSame([], array_map(strval(...), $faults));
        self::assertSame($entry['rungs'][0]['hold']['most'], $entry['rungs'][0]['hold']['least']);
        self::assertSame(['how' => 'Toes of the other foot on the floor.'], $entry['rungs'][0]['knee_safe']);
    }

    /** @param array{float|int, float|int, string} $of */
    #[DataProvider('holds')]
    public function testAHoldIsSaidAsARange(array $of, string $range, string $least): void
    {
        $hold = array_combine(['least', 'most', 'unit'], $of);
        self::assertSame($range, self::durations()->of($hold));
        self::assertSame($least, self::durations()->least($hold));
    }

    /** @return iterable<string, array{array{float|int, float|int, string}, string, string}> */
    public static function holds(): iterable
    {
        yield 'a range' => [[5, 10, 'breaths'], '5 to 10 breaths', '5 breaths'];
        yield 'one figure' => [[10, 10, 'breaths'], '10 breaths', '10 breaths'];
        yield 'a single one' => [[1, 1, 'minutes'], '1 minute', '1 minute'];
        yield 'from a single one' => [[1, 3, 'minutes'], '1 to 3 minutes', '1 minute'];
    }

    private static function folder(): CatalogueFolder
    {
        return self::$folder ??= new CatalogueFolder(self::FOLDER);
    }

    /**
     * @return array<string, array{array<string, mixed>, \LucidAscent\Core\Caution\Work}> each rung and form with its
     *     work, by "posture/rung"
     */
    private static function rungs(): array
    {
        static $rungs = [];
        if ([] !== $rungs) {
            return $rungs;
        }
        foreach (self::folder()->entries['posture'] as $id => $posture) {
            $definition = Definitions::ofPosture($posture, new DrawnShapes(self::folder()->entries['posture']));
            $of = array_column([...$definition->rungs, ...array_merge(...array_values($definition->forms))], null,
                'id');
            foreach ([...$posture['rungs'], ...($posture['forms'] ?? [])] as $rung) {
                $rungs["$id/$rung[id]"] = [$rung, $of[$rung['id']]->work];
            }
        }

        return $rungs;
    }

    /**
     * @param array<string, array<string, array<string, mixed>>> $entries
     *
     * @return list<string>
     */
    private static function gapsOf(array $entries): array
    {
        $graph = new PrerequisiteGraph(array_map(static fn (array $posture): array => array_map(array_keys(...),
            $posture['relations']), $entries['posture']), [], []);

        return array_map(
            static fn (Fault $fault): string => "$fault->file $fault->path $fault->message",
            TeachingGaps::of($entries, static fn (string $id, string $path, string $message): Fault => new Fault($id, 1,
                $path, $message), $graph),
        );
    }

    private static function durations(): HoldText
    {
        static $translator = null;
        if (null === $translator) {
            $translator = new Translator('en');
            $translator->addLoader('yaml', new YamlFileLoader());
            $translator->addResource('yaml', dirname(__DIR__, 2).'/translations/labels+intl-icu.en.yaml', 'en',
                'labels+intl-icu');
        }

        return new HoldText($translator);
    }
}
