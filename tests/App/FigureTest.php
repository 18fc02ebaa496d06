<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\ContactPose;
use LucidAscent\App\Catalogue\Definitions;
use LucidAscent\App\Catalogue\DrawnShapes;
use LucidAscent\App\Catalogue\PoseText;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\App\Figure\ContactFigures;
use LucidAscent\App\Figure\DemandGaps;
use LucidAscent\App\Figure\DrawnFigure;
use LucidAscent\App\Figure\FigureDocument;
use LucidAscent\App\Figure\FigureGaps;
use LucidAscent\App\Figure\Hull;
use LucidAscent\App\Figure\Overlay;
use LucidAscent\App\Figure\RungFigures;
use LucidAscent\App\Figure\Size;
use LucidAscent\App\Figure\View;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Swing;
use LucidAscent\Core\Figure\Tape;
use LucidAscent\Core\Figure\Touches;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\Vector;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every rung and test of the catalogue as a figure, for bodies of all kinds. */
final class FigureTest extends TestCase
{
    private static ?CatalogueFolder $folder = null;

    /** What is drawn is loaded, whatever the entry says, and leaves out: of both legs, of rungs, forms and tests. */
    public function testWhatIsDrawnIsLoadedWhoeverWroteTheEntry(): void
    {
        $entries = self::folder()->entries;
        foreach ($entries['posture'] as $id => $posture) {
            foreach (['rungs', 'forms'] as $part) {
                foreach ($posture[$part] ?? [] as $i => $shape) {
                    $entries['posture'][$id][$part][$i] = ['loads' => ['lying-rest'], 'other_loads' => [],
                        'gentle' => true] + $shape;
                }
            }
        }
        $body = self::body(170.0);
        $drawn = 0;
        foreach (Definitions::ofPostures($entries['posture']) as $id => $posture) {
            foreach (Shapes::of($entries['posture'][$id]) as $shape) {
                $figure = self::drawn($shape, $body, Side::Left)->figure;
                $work = $posture->shapes()[$shape['id']]->work;
                $carried = Touches::carrying($figure);
                $isLying = [] !== array_intersect($carried, ['back', 'front', 'side']);
                self::assertTrue($isLying || !$work->has(Load::LyingRest), "$id/$shape[id] does not lie.");
                foreach (['left' => $work->loads, 'right' => $work->otherLegLoads] as $side => $loads) {
                    [$thigh, $shin] = [
                        $figure->point("$side-hip")->minus($figure->point("$side-knee")),
                        $figure->point("$side-ankle")->minus($figure->point("$side-knee")),
                    ];
                    $fold = 180.0 - rad2deg(acos(max(-1.0, min(1.0, $thigh->dot($shin)
                        / ($thigh->length() * $shin->length())))));
                    if ($fold > 102.0 && ('left' === $side || !in_array('back', $carried, true))) {
                        ++$drawn;
                        self::assertContains('knee-folded', $loads, "$id/$shape[id], $side: $fold");
                    }
                    if ($fold > 60.0 && $fold < 102.0 && in_array("$side-knee", $carried, true)
                        && [] === array_intersect($carried, ['back', 'side', 'seat'])) {
                        ++$drawn;
                        self::assertContains('weight-on-knee', $loads, "$id/$shape[id], $side");
                        self::assertFalse($work->isGentle, "$id/$shape[id]");
                    }
                }
            }
        }
        self::assertGreaterThan(150, $drawn);
    }

    public function testAShapeThatNobodyHasDrawnIsNeitherGentleNorRest(): void
    {
        $posture = self::folder()->entries['posture']['legs-up-wall'];
        $of = static fn (array $rung): Work => Definitions::ofPosture(['rungs' => [$rung], 'forms' => []] + $posture,
            new DrawnShapes([]))->full()->work;
        self::assertTrue($of($posture['rungs'][0])->isGentle && $of($posture['rungs'][0])->isLyingRest());
        $undrawn = $of(array_diff_key($posture['rungs'][0], ['pose' => 0]));
        self::assertFalse($undrawn->isGentle || $undrawn->isLyingRest());
    }

    public function testNoPoseOfTheCatalogueIsWrongForAShortBodyOrATall(): void
    {
        $faults = [];
        foreach (FigureGaps::of(self::folder()->entries) as [, $id, $place, $fault]) {
            $faults[] = "$id $place $fault";
        }
        self::assertSame([], $faults);
    }

    /**
     * Fifty bodies, long and short of leg: nothing longer than it is, both sides mirror images, nothing under the
     * floor.
     */
    public function testEveryPoseKeepsTheLengthsOfEveryBody(): void
    {
        mt_srand(4711);
        $shapes = self::shapes();
        for ($run = 0; $run < 50; ++$run) {
            $body = self::anybody();
            // Each body in a seventh of all poses: over the run each pose meets seven bodies.
            foreach (array_slice($shapes, $run % 7, null, true) as $name => $shape) {
                if (crc32($name) % 7 !== $run % 7) {
                    continue;
                }
                try {
                    $left = self::drawn($shape, $body, Side::Left);
                    $right = self::drawn($shape, $body, Side::Right);
                } catch (\DomainException) {
                    continue;
                }
                self::lengthsAreKept($left, $body, "$name at {$body->stature}");
                foreach ($left->figure->points as $point => $at) {
                    $mirror = $right->figure->point(strtr($point, ['left' => 'right', 'right' => 'left']));
                    self::assertEqualsWithDelta([$at->x, -$at->y, $at->z], $mirror->toArray(), 1e-6, "$name: $point");
                }
                foreach ($left->figure->segments as $segment) {
                    self::assertGreaterThan(-6.0, $segment->clearance(),
                        "$name: $segment->name of a body of {$body->stature} cm");
                }
            }
        }
    }

    public function testALegOfTheLegChainIsDrawnWhereItWasComputed(): void
    {
        $drawn = self::drawn(self::shapes()['half-lotus/seated-half-lotus'], self::body(170.0), Side::Right);
        self::assertEqualsWithDelta(14.0, $drawn->figure->point('right-knee')->z, 1e-6,
            'the knee is at the height that the rung says');
        self::assertEqualsWithDelta(12.0, self::drawn(self::shapes()['soles-together/fold'], self::body(150.0),
            Side::Left)->figure->point('left-knee')->z, 1e-6, 'whoever it is');
        self::assertEqualsWithDelta(22.0, self::drawn(self::shapes()['pigeon/slanted'], self::body(180.0), Side::Left)
            ->figure->point('left-hip')->z, 1e-6);
    }

    #[DataProvider('views')]
    public function testADrawingIsWholeSvg(string $view, Size $size): void
    {
        foreach (['pigeon/slanted', 'half-lotus/seated-half-lotus', 'lying-twist/free',
            'standing-hand-to-toe/front'] as $name) {
            $svg = self::drawn(self::shapes()[$name], self::body(170.0), Side::Left)
                ->svg($size, $view, 'A <b>pose</b> & "words"');
            $document = new \DOMDocument();
            self::assertTrue($document->loadXML($svg), $name);
            $root = $document->documentElement;
            self::assertSame('A <b>pose</b> & "words"', $root?->getAttribute('aria-label'));
            self::assertSame('img', $root->getAttribute('role'));
            [$x, $y, $w, $h] = array_map(floatval(...), explode(' ', $root->getAttribute('viewBox')));
            self::assertSame($w, $h, 'a square');
            foreach ($root->getElementsByTagName('path') as $path) {
                self::assertMatchesRegularExpression('/^[MLAaZ0-9. -]+$/', $path->getAttribute('d'));
                self::assertNotSame('', $path->getAttribute('class'));
                self::assertFalse($path->hasAttribute('style'), 'A page lets no style stand in an element.');
            }
            self::assertStringNotContainsString('NAN', strtoupper($svg));
        }
    }

    /** @return iterable<string, array{string, Size}> */
    public static function views(): iterable
    {
        foreach (View::NAMES as $view) {
            yield $view => [$view, Size::Card];
        }
        foreach (Size::cases() as $size) {
            yield $size->value => ['front', $size];
        }
    }

    public function testASmallDrawingHasLessInIt(): void
    {
        $drawn = self::drawn(self::shapes()['tree/thigh'], self::body(170.0), Side::Left);
        self::assertLessThan(substr_count($drawn->svg(Size::Card), '<path'),
            substr_count($drawn->svg(Size::Mark), '<path'));
        self::assertStringContainsString('aria-hidden="true"', $drawn->svg(Size::Mark));
        self::assertStringContainsString('prefers-color-scheme', $drawn->svg(Size::Card, null, '', true),
            'alone it brings its colours');
        self::assertStringNotContainsString('<style', $drawn->svg(Size::Card));
    }

    public function testWhatIsMeasuredMissingOrComparedIsDrawnWithIt(): void
    {
        $drawn = self::drawn(self::shapes()['half-lotus/seated-half-lotus'], self::body(170.0), Side::Left);
        $other = self::drawn(self::shapes()['half-lotus/seated-half-lotus'], self::body(150.0), Side::Left);
        $plain = $drawn->svg(Size::Card);
        foreach (['class="tape"', 'class="swing"', 'class="ends"', 'class="ghost"', '<text'] as $mark) {
            self::assertStringNotContainsString($mark, $plain);
        }
        $tape = Tape::of($drawn->figure, 'knee-height', 'left-knee', 'floor');
        $svg = $drawn->with(new Overlay([$tape], true, ghost: $other->figure))->svg(Size::Card);
        self::assertStringContainsString('data-tape="knee-height"', $svg);
        self::assertStringContainsString('>14.0</text>', $svg, 'the tape says what the rung asks for');
        self::assertLessThan(strpos($svg, 'class="work"'), strpos($svg, 'class="ghost"'),
            'the other set-up lies behind');
        self::assertStringNotContainsString('<text', $drawn->with(new Overlay([$tape]))->svg(Size::Card));
        $asked = new LegAngles(90.0, 40.0, 70.0, 120.0);
        $svg = $drawn->with(new Overlay(swing: Swing::of($drawn->figure, $asked, Component::ExternalRotation, 40.0)))
            ->svg(Size::Card);
        self::assertStringContainsString('class="swing"', $svg);
        self::assertStringContainsString('class="ends"', $svg);
        self::assertStringNotContainsString('class="share"', $svg);
        $svg = $drawn->with(new Overlay(kneeShare: 26.4))->svg(Size::Card);
        self::assertStringContainsString('class="share"', $svg);
        self::assertStringContainsString('>26°</text>', $svg);
    }

    public function testWhatIsNearerIsDrawnLater(): void
    {
        // From the left the left leg hides the right one, from the right the other way round.
        $drawn = self::drawn(self::shapes()['low-lunge/upright'], self::body(170.0), Side::Left);
        $order = static fn (string $view): array => [strpos($drawn->svg(Size::Card, $view), 'class="work"'),
            strpos($drawn->svg(Size::Card, $view), 'class="leg"')];
        [$work, $leg] = $order('left');
        self::assertGreaterThan($leg, $work);
        [$work, $leg] = $order('right');
        self::assertLessThan($leg, $work);
    }

    public function testViewsLookFromWhereTheySay(): void
    {
        $left = new Vector(0, 10, 0);
        $up = new Vector(0, 0, 10);
        $front = View::of('front', Side::Left, false);
        self::assertGreaterThan(9.0, $front->at($left)[0], 'face to face, the left hand is on the right');
        self::assertLessThan(-9.0, $front->at($up)[1]);
        self::assertLessThan(-9.0, View::of('back', Side::Left, false)->at($left)[0]);
        self::assertGreaterThan(9.0, View::of('left', Side::Left, false)->depth($left));
        self::assertLessThan(-9.0, View::of('right', Side::Left, false)->depth($left));
        self::assertGreaterThan(9.0, View::of('above', Side::Left, false)->depth($up));
        self::assertGreaterThan(0.0, View::of('side', Side::Left, false)->depth($left));
        self::assertLessThan(0.0, View::of('side', Side::Right, false)->depth($left), 'from the side that works');
    }

    public function testAnOutlineIsTheHullOfTwoCircles(): void
    {
        self::assertSame('M0 5A5 5 0 0 1 0 -5L20 -5A5 5 0 1 1 20 5Z',
            self::plain(Hull::capsule([0.0, 0.0], 5.0, [20.0, 0.0], 5.0)));
        self::assertStringStartsWith('M-9 0a9 9', Hull::capsule([0.0, 0.0], 9.0, [2.0, 0.0], 4.0),
            'one within the other is the larger alone');
        self::assertSame('M0 0L10 0L10 10L0 10Z', Hull::polygon([[0.0, 0.0], [10.0, 0.0], [10.0, 10.0], [0.0, 10.0],
            [5.0, 5.0]]));
        self::assertSame('-0.4', Hull::number(-0.44));
    }

    public function testEveryContactOfTheLegChainHasAPose(): void
    {
        foreach (glob(__DIR__.'/../../core/LegChain/Contact/*.php') ?: [] as $file) {
            $class = 'LucidAscent\\Core\\LegChain\\Contact\\'.basename($file, '.php');
            $name = Contacts::name($class);
            if (Contacts::find($name) === $class && [] !== $class::about()->controls) {
                $values = [];
                foreach ($class::about()->controls as $control) {
                    $values[$control->name] = $control->start;
                }
                self::assertNotNull(ContactPose::of($name, $values), $name);
                $drawn = ContactFigures::of($name, $values, self::body(170.0), Side::Left);
                self::assertNotNull($drawn, $name);
                self::assertStringStartsWith('<svg', $drawn->svg(Size::Card));
            }
        }
    }

    public function testAPoseMayBeThatOfAnotherWithWhatDiffers(): void
    {
        $find = static fn (string $posture, string $rung): array => ['pose' => ['base' => 'standing',
            'legs' => ['foot' => [0, 1]], 'arms' => [90, 0], 'tilt' => 5]];
        $of = static fn (array $pose): DrawnFigure => RungFigures::ofRung(['pose' => $pose], self::body(170.0),
            Side::Left, null, $find);
        $like = $of(['like' => 'a/b', 'arm' => [0, 0]])->figure;
        self::assertLessThan(10.0, abs($like->point('left-wrist')->x - $like->point('left-shoulder')->x),
            'its own arm');
        self::assertGreaterThan(40.0, $like->point('right-wrist')->x, 'the other as there');
        $both = $of(['like' => 'a/b', 'arms' => [0, 0]])->figure;
        self::assertLessThan(10.0, abs($both->point('right-wrist')->x - $both->point('right-shoulder')->x),
            'what is said of both goes before what is there');
        $this->expectExceptionMessage('no base position "hovering"');
        PoseText::pose(['base' => 'hovering']);
    }

    public function testFaultsOfAPoseAreNamedWithTheirSide(): void
    {
        $find = static fn (): array => [];
        self::assertSame(['says not how it is drawn'], FigureGaps::faults([], self::body(170.0), $find));
        self::assertStringContainsString('misses what it reaches for',
            implode(' ', FigureGaps::faults(['pose' => ['base' => 'standing', 'arms' => ['to' => 'foot']]],
                self::body(170.0), $find)));
        self::assertStringContainsString('left: ', FigureGaps::faults(['pose' => ['base' => 'standing',
            'arms' => ['to' => 'foot']]], self::body(170.0), $find)[0]);
    }

    /**
     * The angles of the picture are those that its shape asks for: of either leg, of the spine and of the arms.
     *
     * @param array<string, mixed> $shape
     */
    #[DataProvider('asked')]
    public function testAPictureThatShowsAnotherAngleThanIsAskedIsNamed(?string $fault, array $shape): void
    {
        $find = static fn (): array => [];
        self::assertSame(null === $fault ? [] : [$fault], DemandGaps::of($shape + ['props' => []], $find));
    }

    /** @return iterable<string, array{string|null, array<string, mixed>}> */
    public static function asked(): iterable
    {
        $asks = static fn (string $component, float $value): array => ['thresholds' => [['component' => $component,
            'at_least' => ['value' => $value]]]];
        $lying = ['base' => 'on-the-back', 'leg' => [70, 0, 0, 0], 'other' => [-10, 30, 0, 100]];
        yield 'as it is asked' => [null, ['pose' => $lying, 'demand' => $asks('hamstrings', 70)]];
        yield 'nearly so' => [null, ['pose' => $lying, 'demand' => $asks('hamstrings', 72.9)]];
        yield 'less' => ['asks 74° of hamstrings, and is drawn with 70°',
            ['pose' => $lying, 'demand' => $asks('hamstrings', 74)]];
        yield 'more' => ['asks 66° of hamstrings, and is drawn with 70°',
            ['pose' => $lying, 'demand' => $asks('hamstrings', 66)]];
        yield 'a soft knee slackens the back of the thigh by half of it' => [null,
            ['pose' => ['leg' => [90, 0, 0, 40]] + $lying, 'demand' => $asks('hamstrings', 70)]];
        yield 'of the other leg' => ['asks 15° of abduction of the other leg, and is drawn with 30°',
            ['pose' => $lying, 'other_leg' => $asks('abduction', 15)]];
        yield 'extension' => [null, ['pose' => $lying, 'other_leg' => $asks('extension', 10)]];
        yield 'the front of the thigh' => [null, ['pose' => $lying, 'other_leg' => $asks('quadriceps', 100)]];
        yield 'less, for a hip that is bent' => [null, ['pose' => ['other' => [40, 0, 0, 120]] + $lying,
            'other_leg' => $asks('quadriceps', 100)]];
        yield 'a spine that turns' => ['asks 30° of spine-rotation, and is drawn with 20°',
            ['pose' => $lying + ['twist' => -20], 'demand' => $asks('spine-rotation', 30)]];
        yield 'a spine that bends back' => ['asks 40° of spine-extension, and is drawn with 20°',
            ['pose' => $lying + ['back' => -20], 'demand' => $asks('spine-extension', 40)]];
        yield 'the arm that is raised further' => [null, ['pose' => $lying + ['arm' => [20, 0, 0, 0],
            'other_arm' => [150, 0, 0, 0]], 'demand' => $asks('shoulder-flexion', 150)]];
        yield 'what no picture shows' => [null, ['pose' => $lying, 'demand' => $asks('balance', 30)]];
        $pigeon = ['contact' => 'pigeon-front', 'values' => ['hipHeight' => 18, 'shinAngle' => 35, 'pelvicTilt' => 40]];
        yield 'a computed leg on a pelvis tipped otherwise' => [
            'asks for a pelvis tipped by 40°, and is drawn with 10°',
            ['pose' => ['base' => 'sitting', 'hips' => 'demanded', 'tilt' => 10, 'leg' => 'demanded',
                'other' => ['long' => 180, 'down' => true]], 'demand' => $pigeon]];
        yield 'a computed leg that is drawn by hand' => ['asks 111° of flexion, and is drawn with 70°', ['pose' => [
            'base' => 'sitting', 'hips' => 10.6, 'tilt' => 40, 'leg' => [70, 11, 75, 134]], 'demand' => $pigeon]];
    }

    public function testTheDocumentHasEveryPointThatItsSegmentsName(): void
    {
        foreach (self::shapes() as $name => $shape) {
            $document = FigureDocument::of(self::drawn($shape, self::body(170.0), Side::Left));
            foreach ($document['segments'] as $segment) {
                self::assertArrayHasKey($segment['from'], $document['points'], $name);
                self::assertArrayHasKey($segment['to'], $document['points'], $name);
                self::assertCount(2, $segment['radii']);
            }
            foreach (['left', 'right'] as $side) {
                foreach (['hip', 'knee', 'ankle', 'toe', 'shoulder', 'elbow', 'wrist'] as $point) {
                    self::assertCount(3, $document['points']["$side-$point"]);
                }
            }
            self::assertNotSame([], $document['carries'], "$name hangs in the air");
        }
    }

    private static function lengthsAreKept(DrawnFigure $drawn, Physique $body, string $name): void
    {
        $length = static fn (string $from, string $to): float => $drawn->figure->point($from)
            ->minus($drawn->figure->point($to))->length();
        foreach (Side::cases() as $side) {
            $leg = $body->leg($side);
            $arm = $body->upper($side);
            self::assertEqualsWithDelta($leg->thigh, $length("$side->value-hip", "$side->value-knee"), 0.01,
                "$name: thigh");
            self::assertEqualsWithDelta($leg->shin, $length("$side->value-knee", "$side->value-ankle"), 0.01,
                "$name: shin");
            self::assertEqualsWithDelta($arm->upperArm, $length("$side->value-shoulder", "$side->value-elbow"), 0.01,
                "$name: upper arm");
            self::assertEqualsWithDelta($arm->forearm, $length("$side->value-elbow", "$side->value-wrist"), 0.01,
                "$name: forearm");
        }
    }

    /** @return array<string, array<string, mixed>> every rung and form by posture and id, every test by its id */
    private static function shapes(): array
    {
        $shapes = [];
        foreach (self::folder()->entries['posture'] as $id => $posture) {
            foreach (Shapes::of($posture) as $shape) {
                $shapes["$id/{$shape['id']}"] = $shape;
            }
        }

        return $shapes + self::folder()->entries['test'];
    }

    /** @param array<string, mixed> $shape */
    private static function drawn(array $shape, Physique $body, Side $side): DrawnFigure
    {
        return RungFigures::ofRung($shape, $body, $side, null,
            static fn (string $posture, string $rung): array => self::shapes()["$posture/$rung"]);
    }

    private static function body(float $stature): Physique
    {
        return Physique::of(Proportions::of(Length::cm($stature)));
    }

    /** Somebody with legs up to a tenth longer or shorter than usual, both alike. */
    private static function anybody(): Physique
    {
        $stature = mt_rand(1480, 1980) / 10.0;
        $measured = [];
        foreach ([Segment::Thigh, Segment::Shin] as $segment) {
            $length = Length::cm($stature * $segment->shareOfStature() * mt_rand(92, 108) / 100.0);
            foreach (Side::cases() as $side) {
                $measured[Proportions::key($segment, $side)] = $length;
            }
        }

        return Physique::of(Proportions::of(Length::cm($stature), $measured));
    }

    private static function plain(string $path): string
    {
        return str_replace('-0 ', '0 ', $path);
    }

    private static function folder(): CatalogueFolder
    {
        return self::$folder ??= new CatalogueFolder((string) realpath(__DIR__.'/../../catalogue'));
    }
}
