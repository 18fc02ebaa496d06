<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Sheets;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\CatalogueDemand;
use LucidAscent\App\Catalogue\ContactList;
use LucidAscent\App\Catalogue\DrawnShapes;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\App\Catalogue\StandardBody;
use LucidAscent\App\Exchange\EventList;
use LucidAscent\App\Exchange\PersonDocument;
use LucidAscent\App\Exchange\ReadDocument;
use LucidAscent\App\Figure\RungFigures;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calibration\Calibrate;
use LucidAscent\Core\Calibration\People;
use LucidAscent\Core\Calibration\Visit;
use LucidAscent\Core\Figure\Arm\ByAngles as ArmByAngles;
use LucidAscent\Core\Figure\Arm\Reaches;
use LucidAscent\Core\Figure\FigureFaults;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Leg\FootAt;
use LucidAscent\Core\Figure\Leg\Kneels;
use LucidAscent\Core\Figure\Leg\Long;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Props;
use LucidAscent\Core\Figure\Touches;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\Contact;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\Control;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\LegChain\Vector;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\Planner;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Posture\JointAsked;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Progress\HeightProgress;
use LucidAscent\Core\Progress\SidesApart;
use LucidAscent\Core\Progress\Step;
use LucidAscent\Core\Progress\TimedReading;
use LucidAscent\Core\Progress\Trend;
use LucidAscent\Core\Progress\WeeklyLoad;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Tests\Core\Figure\BuildsFigures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Finder\Finder;

/**
 * What is said of a few people, whole: their readings, routes and plans with the shipped catalogue, figures of every
 * kind, people made up, months of readings. A rule that is changed changes a sheet, and its difference shows all that
 * it changed. SHEETS=write writes them anew.
 */
final class SheetsTest extends TestCase
{
    use BuildsFigures;

    private const PEOPLE = [
        'supple' => [
            'on' => '2026-03-09', 'body' => ['stature' => 164, 'thigh' => 39.5, 'shin' => 39],
            'wanted' => ['lotus', 'leg-behind-head'],
            'tests' => [
                ['test' => 'soles-together', 'side' => 'both', 'on' => '2026-03-02',
                    'trials' => [['kneeHeight' => 6, 'heelDistance' => 16],
                        ['kneeHeight' => 6.5, 'heelDistance' => 16]]],
                ['test' => 'shins-stacked', 'side' => 'left', 'on' => '2026-03-02',
                    'trials' => [['kneeHeight' => 9, 'ankleHeight' => 10], ['kneeHeight' => 10, 'ankleHeight' => 10]]],
                ['test' => 'shins-stacked', 'side' => 'right', 'on' => '2026-03-02',
                    'trials' => [['kneeHeight' => 12, 'ankleHeight' => 10]]],
                ['test' => 'frog', 'side' => 'both', 'on' => '2026-03-02', 'trials' => [['span' => 92]]],
                ['test' => 'knee-hug', 'side' => 'both', 'on' => '2026-03-02',
                    'trials' => [['kneeHeight' => 30, 'past' => 1]]],
                ['test' => 'leg-raise-strap', 'side' => 'left', 'on' => '2026-03-02', 'tool' => 'inclinometer',
                    'trials' => [['angle' => 96]]],
            ],
            'seen' => [
                ['posture' => 'half-lotus', 'rung' => 'lying-half-lotus', 'side' => 'both', 'clean' => true],
                ['posture' => 'pigeon', 'rung' => 'slanted', 'side' => 'right', 'clean' => false],
            ],
            'gates' => [['gate' => 'elbow-to-sole', 'side' => 'left', 'met' => true]],
        ],
        'stiff on the left' => [
            'on' => '2026-03-09', 'body' => ['stature' => 182], 'wanted' => ['half-lotus', 'pigeon'],
            'tests' => [
                ['test' => 'soles-together', 'side' => 'left', 'on' => '2026-02-20',
                    'trials' => [['kneeHeight' => 21, 'heelDistance' => 26],
                        ['kneeHeight' => 22, 'heelDistance' => 26]]],
                ['test' => 'soles-together', 'side' => 'right', 'on' => '2026-02-20',
                    'trials' => [['kneeHeight' => 15, 'heelDistance' => 26]]],
                ['test' => 'shins-stacked', 'side' => 'both', 'on' => '2026-02-20',
                    'trials' => [['kneeHeight' => 24, 'ankleHeight' => 12], ['kneeHeight' => 23, 'ankleHeight' => 12]]],
                ['test' => 'shins-stacked', 'side' => 'left', 'on' => '2026-01-20',
                    'trials' => [['kneeHeight' => 27, 'ankleHeight' => 12]]],
                ['test' => 'thigh-hang', 'side' => 'both', 'on' => '2026-02-20', 'tool' => 'inclinometer',
                    'trials' => [['angle' => -6]]],
            ],
            'sessions' => [
                ['on' => '2026-03-01', 'items' => [['posture' => 'half-lotus', 'rung' => 'mid-thigh-on-block',
                    'side' => 'right', 'clean' => true]]],
                ['on' => '2026-03-03', 'items' => [['posture' => 'half-lotus', 'rung' => 'mid-thigh-on-block',
                    'side' => 'right', 'clean' => true]]],
                ['on' => '2026-03-05', 'items' => [['posture' => 'half-lotus', 'rung' => 'mid-thigh-on-block',
                    'side' => 'right', 'clean' => true]]],
            ],
        ],
        'a knee after a word in writing' => [
            'on' => '2026-03-29', 'body' => ['stature' => 176], 'wanted' => ['half-lotus'],
            'tests' => [
                ['test' => 'soles-together', 'side' => 'both', 'on' => '2026-03-01',
                    'trials' => [['kneeHeight' => 10, 'heelDistance' => 20],
                        ['kneeHeight' => 11, 'heelDistance' => 20]]],
                ['test' => 'shins-stacked', 'side' => 'both', 'on' => '2026-03-24',
                    'trials' => [['kneeHeight' => 13, 'ankleHeight' => 10], ['kneeHeight' => 13, 'ankleHeight' => 10]]],
            ],
            'events' => [
                ['event' => 'pain', 'id' => 'knee', 'side' => 'right', 'on' => '2026-03-10',
                    'pain' => ['level' => 2, 'place' => 'knee', 'kind' => 'ache'],
                    'during' => ['posture' => 'half-lotus', 'rung' => 'mid-thigh-on-block']],
                ['event' => 'clearance', 'clears' => ['knee'], 'by' => 'clinician', 'on' => '2026-03-20',
                    'name' => 'N', 'profession' => 'physiotherapist', 'allows' => 'all'],
            ],
            'sessions' => [
                ['on' => '2026-03-02', 'items' => [['posture' => 'half-lotus', 'rung' => 'lying-half-lotus',
                    'side' => 'both', 'clean' => true], ['posture' => 'pigeon', 'rung' => 'slanted', 'side' => 'left',
                        'clean' => true]]],
                ['on' => '2026-03-04', 'items' => [['posture' => 'half-lotus', 'rung' => 'lying-half-lotus',
                    'side' => 'both', 'clean' => true], ['posture' => 'pigeon', 'rung' => 'slanted', 'side' => 'left',
                        'clean' => true]]],
                ['on' => '2026-03-06', 'items' => [['posture' => 'half-lotus', 'rung' => 'lying-half-lotus',
                    'side' => 'both', 'clean' => true], ['posture' => 'pigeon', 'rung' => 'slanted', 'side' => 'left',
                        'clean' => true]]],
                ['on' => '2026-03-25', 'items' => [['posture' => 'half-lotus', 'rung' => 'hip-circle',
                    'side' => 'both', 'clean' => true]]],
            ],
            'seen' => [['posture' => 'half-lotus', 'rung' => 'mid-thigh-on-block', 'side' => 'both', 'clean' => true,
                'on' => '2026-03-05']],
        ],
        'a knee that was hurt' => [
            'on' => '2026-03-09', 'body' => ['stature' => 170], 'wanted' => ['cow-face', 'half-lotus'],
            'tests' => [
                ['test' => 'soles-together', 'side' => 'both', 'on' => '2026-03-01',
                    'trials' => [['kneeHeight' => 12, 'heelDistance' => 20]]],
                ['test' => 'cow-face-knees', 'side' => 'both', 'on' => '2026-03-01',
                    'trials' => [['kneeHeight' => 20, 'heelAhead' => 4]]],
            ],
            'events' => [
                ['event' => 'pain', 'side' => 'left', 'on' => '2026-03-05',
                    'pain' => ['level' => 3, 'place' => 'knee', 'kind' => 'ache']],
                ['event' => 'condition', 'condition' => 'other', 'loads' => ['twist']],
            ],
        ],
        'measured all over' => [
            'on' => '2026-03-09', 'body' => ['stature' => 171],
            'wanted' => ['lotus', 'leg-behind-head', 'compass', 'cow-face', 'deep-pigeon'],
            'plan' => ['school' => 'working-muscle', 'minutes' => 75, 'blocks' => 6, 'blankets' => 5,
                'pinned' => ['tree', 'rock-in'], 'forbidden' => ['frog', 'cow-face'], 'sport' => [4],
                'sequence' => ['pyramid', 'half-lotus', 'compass']],
            'tests' => [
                ['test' => 'soles-together', 'side' => 'both', 'on' => '2026-03-02',
                    'trials' => [['kneeHeight' => 9, 'heelDistance' => 18],
                        ['kneeHeight' => 9.5, 'heelDistance' => 18]]],
                ['test' => 'soles-opened', 'side' => 'both', 'on' => '2026-03-02', 'trials' => [['kneeHeight' => 7]]],
                ['test' => 'soles-rounded', 'side' => 'left', 'on' => '2026-03-02', 'trials' => [['foreheadGap' => 9]]],
                ['test' => 'shins-stacked', 'side' => 'both', 'on' => '2026-03-02',
                    'trials' => [['kneeHeight' => 14, 'ankleHeight' => 10], ['kneeHeight' => 13, 'ankleHeight' => 10]]],
                ['test' => 'cow-face-knees', 'side' => 'both', 'on' => '2026-03-03',
                    'trials' => [['kneeHeight' => 16, 'heelAhead' => 2]]],
                ['test' => 'frog', 'side' => 'both', 'on' => '2026-03-03', 'trials' => [['span' => 84]]],
                ['test' => 'wide-legs', 'side' => 'both', 'on' => '2026-03-03', 'trials' => [['span' => 116]]],
                ['test' => 'knee-hug', 'side' => 'both', 'on' => '2026-03-03', 'trials' => [['kneeHeight' => 32]]],
                ['test' => 'one-leg-fold-knee', 'side' => 'right', 'on' => '2026-03-03',
                    'trials' => [['kneeHeight' => 11]]],
                ['test' => 'pelvis-rock', 'side' => 'both', 'on' => '2026-03-03',
                    'trials' => [['kneeForward' => 10, 'kneeBack' => 13]]],
                ['test' => 'heel-to-seat', 'side' => 'both', 'on' => '2026-03-04', 'trials' => [['gap' => 17]]],
                ['test' => 'heel-to-seat-hip-bent', 'side' => 'both', 'on' => '2026-03-04',
                    'trials' => [['gap' => 17]]],
                ['test' => 'kneeling-backbend', 'side' => 'left', 'on' => '2026-03-04',
                    'trials' => [['blockHeight' => 30]]],
                ['test' => 'leg-raise-strap', 'side' => 'both', 'on' => '2026-03-04', 'tool' => 'inclinometer',
                    'trials' => [['angle' => 84]]],
                ['test' => 'thigh-hang', 'side' => 'both', 'on' => '2026-03-04', 'tool' => 'inclinometer',
                    'trials' => [['angle' => 9]]],
                ['test' => 'inward-turn', 'side' => 'both', 'on' => '2026-03-04', 'tool' => 'inclinometer',
                    'trials' => [['angle' => 31]]],
                ['test' => 'overhead-reach', 'side' => 'left', 'on' => '2026-03-05', 'tool' => 'inclinometer',
                    'trials' => [['angle' => 168]]],
                ['test' => 'seated-rotation', 'side' => 'both', 'on' => '2026-03-05', 'tool' => 'inclinometer',
                    'trials' => [['angle' => 44]]],
                ['test' => 'behind-back-reach', 'side' => 'both', 'on' => '2026-03-05', 'trials' => [['gap' => 3]]],
                ['test' => 'tree-balance', 'side' => 'both', 'on' => '2026-03-05', 'tool' => 'stopwatch',
                    'trials' => [['seconds' => 24]]],
                ['test' => 'plank-hold', 'side' => 'left', 'on' => '2026-03-05', 'tool' => 'stopwatch',
                    'trials' => [['seconds' => 20]]],
                ['test' => 'elbow-to-sole', 'side' => 'both', 'on' => '2026-03-05', 'tool' => 'observation',
                    'trials' => [['reaches' => 1]]],
            ],
        ],
        'joints that bend far, and a hip' => [
            'on' => '2026-03-09', 'body' => ['stature' => 160], 'wanted' => ['lotus', 'splits'],
            'plan' => ['school' => 'long-still', 'minutes' => 35, 'blocks' => 0, 'blankets' => 1,
                'without' => ['wall', 'bolster'], 'pinned' => ['plank', 'lotus', 'pinwheel']],
            'tests' => [
                ['test' => 'shins-stacked', 'side' => 'both', 'on' => '2026-03-02',
                    'trials' => [['kneeHeight' => 8, 'ankleHeight' => 10]]],
                ['test' => 'plank-hold', 'side' => 'left', 'on' => '2026-03-05', 'tool' => 'stopwatch',
                    'trials' => [['seconds' => 9]]],
                ['test' => 'half-lotus-knee-rests', 'side' => 'left', 'on' => '2026-03-05', 'tool' => 'observation',
                    'trials' => [['rests' => 1]]],
            ],
            'events' => [
                ['event' => 'condition', 'condition' => 'hypermobility'],
                ['event' => 'condition', 'condition' => 'hip-impingement', 'side' => 'right'],
            ],
        ],
    ];

    /** Where a prop may lie. */
    private const PLACES = ['seat', 'chair-seat', 'pelvis', 'hip', 'thigh', 'knee', 'other-knee', 'knees', 'shin',
        'shins', 'heels', 'foot', 'hands', 'forearms', 'chest', 'head', 'back', 'feet', 'ahead', 'behind', 'beside',
        'between-hands', 'held-wide', 'hand-to-foot', 'hand-to-thigh'];

    private static ?Catalogue $catalogue = null;

    /** @return iterable<string, array{string}> */
    public static function people(): iterable
    {
        foreach (array_keys(self::PEOPLE) as $name) {
            yield $name => [$name];
        }
    }

    #[DataProvider('people')]
    public function testWhatIsReadOfAPerson(string $name): void
    {
        $person = self::read($name);
        self::assertSheet($name, PersonSheet::read($person->poses, $person->wanted));
    }

    #[DataProvider('people')]
    public function testWhatIsPlannedForAPerson(string $name): void
    {
        $person = self::read($name);
        $catalogue = self::catalogue();
        $way = (self::PEOPLE[$name]['plan'] ?? []) + ['school' => 'counted-breath', 'minutes' => 50, 'blocks' => 2,
            'blankets' => 2, 'without' => ['chair'], 'pinned' => [], 'forbidden' => [], 'sport' => [],
            'sequence' => []];
        $planner = new Planner($person->poses, $catalogue->practiceRungs(), $catalogue->dose($way['school']),
            [6 => $catalogue->dose('long-still')], $catalogue->drills());
        $on = new \DateTimeImmutable('2026-03-09');
        $plan = $planner->plan($person->wanted, new PlanRequest($on, 4, [2, 4, 6], $way['minutes'],
            new Equipment($way['blocks'], $way['blankets'], true, $way['without']), $way['pinned'], $way['forbidden'],
            $way['sport'], $way['sequence']));
        self::assertSheet("$name, plan", PersonSheet::plan($plan, $person->wanted, $person->poses));
    }

    public function testFiguresOfEveryKind(): void
    {
        $lines = $there = [];
        $bodies = [Physique::of(Proportions::of(Length::cm(170.0))), Physique::of(Proportions::of(Length::cm(158.0)))];
        foreach (self::rungs() as $name => $rung) {
            $kinds = [($rung['pose']['base'] ?? '').' '.implode(' ', array_keys($rung['pose'] ?? []))];
            foreach ($rung['props'] ?? [] as $prop) {
                $kinds[] = 'prop '.($prop['at'] ?? '');
            }
            if ([] === array_diff($kinds, $there)) {
                continue;
            }
            array_push($there, ...$kinds);
            $side = Side::cases()[count($there) % 2];
            $drawn = RungFigures::ofRung($rung, $bodies[count($there) % 2], $side, null,
                static fn (string $posture, string $id): array => self::rungs()["$posture/$id"]);
            $figure = $drawn->figure;
            array_push($lines, $name, ...Sheet::of([
                'points' => $figure->points,
                'misses' => $figure->misses,
                'thick' => array_column(array_map(
                    static fn ($segment): array => [$segment->name, [$segment->startRadius, $segment->endRadius]],
                    $figure->segments,
                ), 1, 0),
                'props' => $drawn->props,
                'faults' => FigureFaults::of($figure),
                'touches' => [Touches::ofBody($figure), Touches::carrying($figure)],
            ], 3, '  '));
        }
        self::assertSheet('figures', $lines);
    }

    public function testLimbsAndPropsInEveryPlace(): void
    {
        $legs = [
            'long' => new Long(20.0), 'long, face down' => new Long(170.0, true),
            'long, raised' => new Long(0.0, false, 6.0),
            'kneels' => new Kneels(0.0, 180.0), 'kneels, tucked' => new Kneels(30.0, 150.0, true),
            'kneels, shin up' => new Kneels(0.0, 180.0, false, 40.0),
            'foot on the floor' => new FootAt(22.0, 6.0, null, new Vector(1.0, 0.2, 1.0), null),
            'foot up' => new FootAt(14.0, -8.0, 9.0, new Vector(0.6, 1.0, 0.1), new Vector(0.2, -1.0, 0.3)),
            'angles' => self::angles(70.0, 30.0, 40.0, 95.0), 'pointed' => self::angles(30.0, 10.0, 0.0, 20.0, 70.0),
        ];
        $arms = [
            'hangs' => new ArmByAngles(0.0, 20.0), 'bent' => new ArmByAngles(80.0, 15.0, 30.0, 60.0),
            'to the shin' => new Reaches('shin', new Vector(0.0, 0.0, 0.0)),
            'forearm' => new Reaches(null, new Vector(14.0, 4.0, 0.0), null, true),
            'strap' => new Reaches('foot', new Vector(0.0, 0.0, 0.0), new Vector(0.0, 1.0, -0.2), false, true),
        ];
        $lines = [];
        foreach ([HipHeight::Stands, HipHeight::Sits, HipHeight::Kneels, HipHeight::Lies] as $i => $hips) {
            foreach ($legs as $leg => $placement) {
                foreach (0 === $i % 2 ? $arms : ['hangs' => $arms['hangs']] as $arm => $other) {
                    $figure = self::figure($hips, $placement, otherArm: $other, tilt: 12.0 * $i, lean: 4.0, turn: 15.0,
                        roll: 5.0, back: 10.0 * $i, side: 6.0, twist: 20.0, neck: 8.0, raised: 3.0,
                        working: Side::cases()[$i % 2]);
                    $lines[] = "$hips->value, $leg, $arm";
                    array_push($lines, ...Sheet::of(['points' => $figure->points, 'misses' => $figure->misses,
                        'faults' => FigureFaults::of($figure)], 3, '  '));
                }
            }
            $figure = self::figure($hips, $legs['foot on the floor'], arm: $arms['strap'], raised: 11.0);
            foreach (self::PLACES as $at) {
                foreach (['block', 'wall', 'strap'] as $what) {
                    array_push($lines, ...Sheet::of(
                        ["$hips->value $at $what" => Props::of($figure, [['at' => $at, 'what' => $what]])]));
                }
            }
        }
        self::assertSheet('limbs', $lines);
    }

    public function testPeopleWhoseTruthIsKnown(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(7));
        $lines = [];
        for ($i = 0; $i < 4; ++$i) {
            $true = People::draw($random);
            array_push($lines, ...Sheet::of(['true' => $true,
                'measured' => People::asMeasured($true->proportions, $random)]));
        }
        $catalogue = self::catalogue();
        $run = (new Calibrate($catalogue->tests(), $catalogue->postures(), ['half-lotus', 'pigeon']))->run(2, 11);
        array_push($lines, ...Sheet::of([$run->all->reliability(), $run->all->coverage(), $run->all->many(),
            $run->readings(), $run->proposed(), $run->inOrder(), $run->aims()], 4));
        self::assertSheet('people', $lines);
    }

    /** Every number that a rule goes by has a name; whoever changes one changes it here, too, where all are read. */
    public function testTheLimitsThatRulesGoBy(): void
    {
        $lines = [];
        foreach (self::core('') as $class) {
            $own = array_filter((new \ReflectionClass($class))->getReflectionConstants(),
                static fn (\ReflectionClassConstant $one): bool => $one->getDeclaringClass()->name === $class
                    && !$one->isEnumCase());
            foreach ($own as $constant) {
                $values = [$constant->getValue()];
                $isNumber = false;
                array_walk_recursive($values, static function (mixed $value) use (&$isNumber): void {
                    $isNumber = $isNumber || is_int($value) || is_float($value);
                });
                array_push($lines, ...$isNumber
                    ? Sheet::of([substr($class, 17).'::'.$constant->name => $constant->getValue()]) : []);
            }
        }
        self::assertSheet('limits', $lines);
    }

    public function testEveryContactAndWhatItErrsBy(): void
    {
        $lines = [];
        foreach (self::core('LegChain/Contact') as $class) {
            if (class_exists($class) && is_subclass_of($class, Contact::class)) {
                $about = Contacts::about($class);
                array_push($lines, Contacts::name($class), ...Sheet::of([$about,
                    array_map($about->ability(...), Component::cases())], 4, '  '));
            }
        }
        foreach (ContactList::toSetUp() as $name => $about) {
            $start = array_column(
                array_map(static fn (Control $control): array => [$control->name, $control->start], $about->controls),
                1, 0);
            foreach ([1.0, 1.2] as $share) {
                $demand = CatalogueDemand::find($name, array_map(static fn (float $v): float => $share * $v, $start));
                $posture = $demand?->posture(StandardBody::openHips(), StandardBody::upper()) ?? self::fail($name);
                foreach ([Length::cm(156.0), Length::cm(178.0)] as $stature) {
                    $body = Proportions::of($stature)->body(Side::Left);
                    try {
                        $pose = $posture instanceof ChainReading ? $posture->pose($body) : null;
                        $errors = Sensitivity::ofSetUp($posture, $body);
                        array_push($lines, "$name $share at $stature->cm", ...Sheet::of([
                            'angles' => $posture->angles($body),
                            'pose' => $pose,
                            'errors' => array_map(static fn (Component $component): array => [
                                $errors->readingError($component), $errors->error($component, BodyError::measured())],
                                Component::cases()),
                            'shortfall' => Shortfall::of($posture->angles($body), StandardBody::openHips()),
                            'lift' => $posture instanceof KneeAtHeight
                                ? Shortfall::kneeLift($posture, $body, new Capacity(100.0, 40.0, 60.0, 140.0)) : null,
                        ], 3, '  '));
                    } catch (\DomainException $e) {
                        $lines[] = "$name $share at $stature->cm: ".$e->getMessage();
                    }
                }
            }
        }
        self::assertSheet('contacts', $lines);
    }

    public function testWhatEveryTestShows(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(23));
        $lines = [];
        $on = new \DateTimeImmutable('2026-03-09');
        for ($i = 0; $i < 2; ++$i) {
            $visit = new Visit(People::draw($random), self::catalogue()->tests(), ToolErrors::usual(), $on, $random);
            foreach (array_filter(
                self::catalogue()->tests(),
                static fn (TestDefinition $one): bool => [] !== $one->proves,
            ) as $test) {
                foreach ($visit->take($test, Side::Left) as $taken) {
                    $evidence = ReadTest::evidence($test, $taken, $visit->measured->body($taken->side),
                        ToolErrors::usual());
                    $lines[] = "$test->id {$taken->side->value}";
                    foreach ($evidence as $one) {
                        $lines[] = sprintf('  %s %.3f %s', $one->ability->value, $one->value, $one->bound->name);
                        array_push($lines, ...Sheet::of($one->uncertainty, 3, '    '));
                    }
                }
            }
        }
        self::assertSheet('tests', $lines);
    }

    /** What hands and elbows are to get to, and what is missing when a joint gives a sixth of a right angle less. */
    public function testWhatEveryReachAsksAndMisses(): void
    {
        $drawn = new DrawnShapes(self::catalogue()->all(Kind::Posture));
        $lines = [];
        foreach (self::rungs() as $name => $rung) {
            $reach = $drawn->reach($rung);
            if (null === $reach) {
                continue;
            }
            foreach ([[Length::cm(158.0), Side::Left], [Length::cm(181.0), Side::Right]] as [$stature, $side]) {
                try {
                    $of = $reach->of(Proportions::of($stature), $side);
                } catch (\DomainException $e) {
                    $lines[] = "$name $side->value: {$e->getMessage()}";
                    continue;
                }
                $lines[] = sprintf('%s %s, %s: %.2f', $name, $side->value, $reach->kind()->value, $of->gap([]));
                foreach ($of->asks() as $asked) {
                    $lines[] = sprintf('  %s %.2f; 15 less: %.2f, 5 more: %.2f', $asked->name(), $asked->asked,
                        $of->gap([$asked->name() => 15.0]), $of->gap([$asked->name() => -5.0]));
                }
                $lines[] = sprintf('  all of it 8 less: %.2f', $of->gap(array_fill_keys(array_map(
                    static fn (JointAsked $one): string => $one->name(), $of->asks()), 8.0)));
            }
        }
        self::assertSheet('reaches', $lines);
    }

    public function testMonthsOfReadings(): void
    {
        $wave = static fn (int $i): float => 1.4 * sin(1.7 * $i) + 0.8 * cos(0.6 * $i);
        $lines = [];
        foreach ([
            'gains' => static fn (int $i): float => 60.0 + 0.9 * $i + $wave($i),
            'stands' => static fn (int $i): float => 60.0 + $wave($i),
            'jumps' => static fn (int $i): float => ($i < 7 ? 60.0 : 74.0) + $wave($i),
        ] as $name => $value) {
            $readings = array_map(static fn (int $i): TimedReading => new TimedReading(9.0 * $i, $value($i), 2.0),
                range(0, 13));
            $trend = Trend::of($readings) ?? self::fail('No trend.');
            array_push($lines, $name, ...Sheet::of(['slope' => $trend->slope->mean(),
                'interval' => $trend->slope->interval(),
                'chance' => $trend->chanceReal(), 'typical' => $trend->typical, 'at' => $trend->at(150.0)->mean(),
                'sd' => $trend->at(150.0)->interval(), 'step' => Step::of($trend)], 2, '  '));
        }
        $now = new \DateTimeImmutable('2026-06-01');
        $before = static fn (float $days): \DateTimeImmutable => $now->sub(new \DateInterval('P'.(int) $days.'D'));
        foreach ([Ability::ExternalRotation, Ability::ShoulderReach] as $ability) {
            foreach ([1, 2, 3, 9] as $many) {
                foreach ([-0.8, 0.0, 0.9] as $gain) {
                    $series = static fn (float $from): array => array_map(static fn (int $i): Evidence => new Evidence(
                        $ability, $from + $gain * $i + $wave($i), 5 === $i ? Bound::AtLeast : Bound::Exact,
                        Uncertainty::ofReading(1.5), $i < 6 ? 'shins-stacked' : 'cow-face-knees',
                        on: $before(14.0 * ($many - $i))), range(0, $many - 1));
                    $name = "$ability->value, $many readings, $gain";
                    foreach ([null, 61.0, 66.0, 120.0] as $asked) {
                        $told = AbilityProgress::of($ability, $series(60.0), $now, $asked);
                        array_push($lines, "$name, asked ".($asked ?? 'nothing'), ...Sheet::of([
                            'month' => $told->perMonth(), 'from' => $told->from, 'to' => $told->to,
                            'chance' => $told->chance, 'change' => $told->change, 'real' => $told->smallestReal,
                            'step' => $told->step], 2, '  '), ...PersonSheet::because([$told->because]));
                    }
                    array_push($lines, "sides, $name", ...Sheet::of(
                        SidesApart::of($ability, $series(60.0), $series(64.0)), 3, '  '));
                    $heights = array_map(static fn (int $i): array => [$before(9.0 * ($many - $i)),
                        14.0 + $gain * $i + 0.3 * $wave($i)], range(0, $many - 1));
                    array_push($lines, "heights, $name", ...PersonSheet::because([HeightProgress::of($heights, $now)
                        ->because]));
                }
            }
        }
        $day = static fn (int $i): \DateTimeImmutable => (new \DateTimeImmutable('2026-01-05'))
            ->add(new \DateInterval("P{$i}D"));
        $load = WeeklyLoad::of(array_map(static fn (int $i): array => [$day(3 * $i), 10.0 + $i], range(0, 12)));
        self::assertSheet('months', [...$lines, ...Sheet::of($load)]);
    }

    private static function read(string $name): ReadDocument
    {
        $clock = new MockClock('2026-03-09');
        $documents = new PersonDocument(self::catalogue(), new EventList(self::catalogue()), $clock);

        return $documents->read(Fields::of(array_diff_key(self::PEOPLE[$name], ['plan' => []])));
    }

    /** @return array<string, array<string, mixed>> by posture and id */
    private static function rungs(): array
    {
        static $rungs = null;
        if (null === $rungs) {
            $rungs = [];
            foreach (self::catalogue()->all(Kind::Posture) as $id => $posture) {
                foreach (Shapes::of($posture) as $rung) {
                    $rungs["$id/{$rung['id']}"] = $rung;
                }
            }
        }

        return $rungs;
    }

    /** Compiled anew each time: what an older code made of it says nothing. */
    private static function catalogue(): Catalogue
    {
        return self::$catalogue ??= new Catalogue(dirname(__DIR__, 3).'/catalogue', self::compiled(), false, 'en');
    }

    private static function compiled(): string
    {
        return sys_get_temp_dir().'/sheets-'.getmypid().'.php';
    }

    public static function tearDownAfterClass(): void
    {
        array_map(unlink(...), glob(self::compiled().'*') ?: []);
        self::$catalogue = null;
    }

    /** @return iterable<class-string> what is in a folder of the core */
    private static function core(string $folder): iterable
    {
        $root = dirname(__DIR__, 3).'/core';
        foreach (Finder::create()->files()->in("$root/$folder")->name('*.php')->sortByName() as $file) {
            $class = 'LucidAscent\\Core'.strtr(substr($file->getPathname(), strlen($root)), ['/' => '\\',
                '.php' => '', '//' => '\\']);
            if (class_exists($class) || interface_exists($class) || trait_exists($class)) {
                yield $class;
            }
        }
    }

    /** @param list<string> $lines */
    private static function assertSheet(string $name, array $lines): void
    {
        $file = __DIR__.'/'.str_replace([' ', ','], ['-', ''], $name).'.txt';
        $text = implode("\n", $lines)."\n";
        if ('write' === getenv('SHEETS')) {
            file_put_contents($file, $text);
        }
        self::assertStringEqualsFile($file, $text);
    }
}
