<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\StandardBody;
use LucidAscent\App\PageCache\CachedParts;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Swing;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\Readiness\PoseReading;
use Symfony\Contracts\Translation\TranslatorInterface;

/**
 * The figures of a page, as markup: of a rung, of a posture's full form, of a test. Nothing where there is no pose. A
 * figure is of a body and a catalogue, whatever is written about the person: it is drawn once.
 */
final class FigurePictures
{
    private ?Proportions $standard = null;
    /** @var array<string, string> */
    private array $drawn = [];

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly RungFigures $figures,
        private readonly CachedParts $kept,
        private readonly TranslatorInterface $translator,
    ) {
    }

    private function say(Side $side): string
    {
        return $this->translator->trans('common.side.of', ['side' => $side->value]);
    }

    /**
     * @param string $size mark, strip, card or large; what is smaller than a card stands beside its name, and is silent
     * @param string $side which side works
     * @param Proportions|null $person whose body; one of average lengths where nothing is said
     * @param LegPose|null $asRead the leg as it was reckoned for this person
     */
    public function rung(
        string $posture,
        string $rung,
        string $size = 'card',
        string $side = 'left',
        ?Proportions $person = null,
        ?string $view = null,
        ?LegPose $asRead = null,
    ): string {
        $size = Size::from($size);
        $side = Side::tryFrom($side) ?? Side::Left;
        $entry = $this->catalogue->entry(Kind::Posture, $posture) ?? [];

        return $this->once(
            $entry,
            [$posture, $rung, $size->value, $side->value, $view, self::lengths($this->body($person)), $asRead],
            fn (): string => $this->draw(
                fn (): DrawnFigure => $this->figures->of(
                    $posture,
                    $rung,
                    Physique::of($this->body($person)),
                    $side,
                    $asRead,
                ),
                $size,
                $view,
                $size->isSilent() ? '' : FigureWords::of($this->catalogue, $posture, $rung, $this->say($side)),
            ),
        );
    }

    /** The full form of a posture. */
    public function posture(
        string $posture,
        string $size = 'card',
        string $side = 'left',
        ?Proportions $person = null,
    ): string {
        $rungs = $this->catalogue->entry(Kind::Posture, $posture)['rungs'] ?? [];

        return [] === $rungs ? '' : $this->rung($posture, $rungs[count($rungs) - 1]['id'], $size, $side, $person);
    }

    public function test(
        string $test,
        string $size = 'card',
        string $side = 'left',
        ?Proportions $person = null,
    ): string {
        $entry = $this->catalogue->entry(Kind::Test, $test);

        return null === $entry
            ? ''
            : $this->once(
                $entry,
                ['test', $test, $size, $side, self::lengths($this->body($person))],
                fn (): string => $this->draw(
                    fn (): DrawnFigure => $this->figures->ofTest(
                        $entry,
                        Physique::of($this->body($person)),
                        Side::tryFrom($side) ?? Side::Left,
                    ),
                    Size::from($size),
                    null,
                    sprintf('%s: %s', $entry['name'], implode(' ', $entry['position'])),
                ),
            );
    }

    /**
     * The full form of a posture for one side, with the way that its limiter would still have to go; nothing where none
     * is known.
     */
    public function limiter(PoseReading $reading, Proportions $person): string
    {
        $full = $reading->full();
        $limiter = $full->limiter();
        $component =
            null === $limiter || $limiter->isOtherLeg ? null : Component::tryFrom($limiter->ability->value);
        if (null === $component || null === $limiter->shown || null === $full->pose) {
            return '';
        }

        return $this->draw(
            function () use ($reading, $full, $person, $component, $limiter): DrawnFigure {
                $drawn = $this->figures->of(
                    $reading->posture->id,
                    $full->rung->id,
                    Physique::of($person),
                    $reading->side,
                    $full->pose,
                );

                $swing = Swing::of($drawn->figure, $full->pose->angles, $component, $limiter->shown);

                return null === $swing
                    ? throw new \DomainException('Nothing is missing.')
                    : $drawn->with(new Overlay(swing: $swing, kneeShare: $reading->shortfallAtKnee() ?? 0.0));
            },
            Size::Card,
            null,
            FigureWords::of($this->catalogue, $reading->posture->id, $full->rung->id, $this->say($reading->side)),
        );
    }

    /** Where the tape goes on a body: standing, sitting and lying, each line by the name of its length. */
    public function measures(): string
    {
        return implode(
            '',
            array_map(
                static fn (DrawnFigure $figure): string => $figure->svg(Size::Strip),
                RungFigures::ofMeasures(Physique::of($this->body(null))),
            ),
        );
    }

    /** @param callable(): DrawnFigure $figure */
    private function draw(callable $figure, Size $size, ?string $view, string $words): string
    {
        try {
            return $figure()->svg($size, $view, $words);
        } catch (\DomainException|\OutOfBoundsException) {
            // An entry of one's own without a pose, or a body that cannot be there: the words stand alone.
            return '';
        }
    }

    /**
     * @param array<string, mixed> $entry of the catalogue; a teacher's own may change under its name
     * @param list<mixed> $name what the figure is made of, beside the catalogue
     * @param \Closure(): string $draw
     */
    private function once(array $entry, array $name, \Closure $draw): string
    {
        $key = json_encode($name, JSON_THROW_ON_ERROR);

        return $this->drawn[$key] ??= isset($entry['own'])
            ? $draw()
            : $this->kept->ofNobody(['figure', $key], $draw);
    }

    /** @return list<float> of a whole body, in cm */
    private static function lengths(Proportions $body): array
    {
        return [$body->stature->cm, ...$body->body(Side::Left)->lengths(), ...$body->body(Side::Right)->lengths()];
    }

    private function body(?Proportions $person): Proportions
    {
        return $person ?? ($this->standard ??= Proportions::of(Length::cm(StandardBody::STATURE)));
    }
}
