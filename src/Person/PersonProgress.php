<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Repository\OutcomeRows;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Progress\Prior;
use LucidAscent\Core\Progress\Trend;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use Psr\Clock\ClockInterface;

/** What months of readings say of a person: for pages, and for what is kept when an assessment ends. */
final readonly class PersonProgress
{
    /** People whose first reading lies within so much of another's began alike: this product's own. */
    private const ALIKE = 15.0;

    public function __construct(
        private ReadPerson $person,
        private Wanted $wanted,
        private OutcomeRows $kept,
        private ClockInterface $clock,
    ) {
    }

    /** @return array<string, array<string, SideProgress>> by ability and side, of those that were read by a moment */
    public function of(Practitioner $practitioner, ReadPoses $poses, ?\DateTimeImmutable $moment = null): array
    {
        $now = $practitioner->teacher->local($moment ?? $this->clock->now());
        $rates = $this->kept->rates($practitioner->teacher, $practitioner);
        $of = [];
        foreach ($this->person->series($practitioner, $poses->person->proportions, $now) as $name => $evidence) {
            $side = Side::from($name);
            foreach (Ability::cases() as $ability) {
                $readings = array_values(
                    array_filter(
                        $evidence,
                        static fn (Evidence $one): bool => $one->ability === $ability && null !== $one->on,
                    ),
                );
                if ([] !== $readings) {
                    usort($readings, static fn (Evidence $a, Evidence $b): int => $a->on <=> $b->on);
                    $asked = $this->asked($ability, $side, $practitioner, $poses);
                    $progress = AbilityProgress::of(
                        $ability,
                        $readings,
                        $now,
                        $asked[0]['asked'] ?? null,
                        $asked[0]['isHeld'] ?? false,
                        self::prior($rates[$ability->value] ?? [], $ability->turn() * $readings[0]->value),
                    );
                    $of[$ability->value][$name] = new SideProgress($ability, $side, $readings, $asked, $progress);
                }
            }
        }

        return $of;
    }

    /**
     * What an ended assessment keeps of it.
     *
     * @return array{rates: list<array{ability: string, side: string, month: float, sd: float, chance: float,
     *     isAsked: bool, start: float}>, forecasts: list<array{ability: string, side: string, posture: string,
     *     asked: float, from: string, to: string|null, chance: int}>}
     */
    public function toKeep(Practitioner $practitioner, ReadPoses $poses, \DateTimeImmutable $at): array
    {
        $rates = $forecasts = [];
        foreach ($this->of($practitioner, $poses, $at) as $ability => $sides) {
            foreach ($sides as $side => $one) {
                $progress = $one->progress;
                $slope = $progress->trend?->slope;
                if (null !== $slope) {
                    $rates[] = [
                        'ability' => $ability,
                        'side' => $side,
                        'month' => Trend::MONTH * $slope->mean(),
                        'sd' => Trend::MONTH * $slope->sd(),
                        'chance' => $progress->trend->chanceReal(),
                        'isAsked' => [] !== $one->asked,
                        'start' => $progress->turn * $one->readings[0]->value,
                    ];
                }
                if (null !== $progress->from && null !== $progress->chance && isset($one->asked[0])) {
                    $forecasts[] = [
                        'ability' => $ability,
                        'side' => $side,
                        'posture' => $one->asked[0]['posture'],
                        'asked' => $progress->turn * $one->asked[0]['asked'],
                        'from' => $progress->from->format('Y-m-d'),
                        'to' => $progress->to?->format('Y-m-d'),
                        'chance' => $progress->chance,
                    ];
                }
            }
        }

        return ['rates' => $rates, 'forecasts' => $forecasts];
    }

    /** @return list<Evidence> those that tell exactly */
    public static function exact(?SideProgress $of): array
    {
        return array_values(
            array_filter($of->readings ?? [], static fn (Evidence $one): bool => Bound::Exact === $one->bound),
        );
    }

    /**
     * @return list<array{posture: string, pose: string, asked: float, isHeld: bool}> what the wanted poses ask, the
     *     most first
     */
    private function asked(Ability $ability, Side $side, Practitioner $practitioner, ReadPoses $poses): array
    {
        $asked = [];
        foreach ($this->wanted->of($practitioner) as $pose) {
            $full = $poses->of($pose, $side)->full();
            $least = $full->askedOf($ability);
            if (null !== $least) {
                $asked[] = [
                    'posture' => $pose,
                    'pose' => $poses->postures[$pose]->name,
                    'asked' => $least,
                    'isHeld' => $full->hasNoDay(),
                ];
            }
        }
        usort($asked, static fn (array $a, array $b): int => $b['asked'] <=> $a['asked']);

        return $asked;
    }

    /** @param list<array{person: string, month: float, sd: float, start: float}> $rates of other people */
    private static function prior(array $rates, float $start): Prior
    {
        $alike = array_values(
            array_filter($rates, static fn (array $one): bool => abs($one['start'] - $start) <= self::ALIKE),
        );

        return Prior::among($alike, count(array_unique(array_column($alike, 'person'))));
    }
}
