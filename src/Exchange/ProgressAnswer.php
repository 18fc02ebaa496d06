<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Text\ReasonText;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day as CalendarDay;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\RungReading;
use LucidAscent\Core\Testing\Evidence;

/** What months of readings say of each ability and side, in the JSON shape that the command line prints. */
final readonly class ProgressAnswer
{
    private const DECIMALS = 4;

    public function __construct(
        private PersonDocument $person,
        private Catalogue $catalogue,
        private ReasonText $texts,
    ) {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidValue when the person cannot be read, or the goal is no rung
     */
    public function of(Fields $document): array
    {
        $read = $this->person->read($document);
        $goal = $document->has('goal') ? $document->object('goal') : null;
        [$posture, $rung] = [$goal?->text('posture') ?? '', $goal?->text('rung') ?? ''];
        null === $goal
            || null !== $this->catalogue->rung($posture, $rung)
            || throw InvalidValue::because('goal', sprintf('names no rung "%s" of "%s".', $rung, $posture));

        $person = $read->poses->person;
        $series = (new ReadHistory($this->catalogue->postures(), $this->catalogue->tests()))->series(
            $read->history,
            $person->proportions,
            $person->on,
        );

        return $this->answer($read->poses, $series, null === $goal ? null : [$posture, $rung]) +
            ([] === $read->unread ? [] : ['unread' => $read->unread]);
    }

    /**
     * @param array{left: list<Evidence>, right: list<Evidence>} $series all that was ever read or seen
     * @param array{string, string}|null $goal posture and rung
     *
     * @return array{left: object, right: object} by ability
     */
    public function answer(ReadPoses $poses, array $series, ?array $goal): array
    {
        $sides = [];
        foreach (Side::cases() as $side) {
            $reading = null === $goal ? null : $poses->of($goal[0], $side)->rung($goal[1]);
            $sides[$side->value] = (object) array_map(
                fn (AbilityProgress $progress): array => $this->ability($progress),
                self::ofSide($poses->person->on, $series[$side->value], $reading),
            );
        }

        return ['left' => $sides['left'], 'right' => $sides['right']];
    }

    /**
     * @param list<Evidence> $series of one side
     *
     * @return array<string, AbilityProgress> by ability, of those that were read
     */
    private static function ofSide(\DateTimeImmutable $today, array $series, ?RungReading $goal): array
    {
        $progress = [];
        foreach (Ability::cases() as $ability) {
            $evidence = array_values(
                array_filter($series, static fn (Evidence $one): bool => $one->ability === $ability),
            );
            if ([] !== $evidence) {
                $progress[$ability->value] = AbilityProgress::of(
                    $ability,
                    $evidence,
                    $today,
                    $goal?->askedOf($ability),
                    $goal?->hasNoDay() ?? false,
                );
            }
        }

        return $progress;
    }

    /** @return array<string, mixed> */
    private function ability(AbilityProgress $progress): array
    {
        $rounded = static fn (?float $value): ?float => null === $value ? null : round($value, self::DECIMALS);
        $month = $progress->perMonth();

        return [
            'readings' => $progress->readings,
            'change' => $rounded($progress->change),
            'smallestReal' => $rounded($progress->smallestReal),
            'trendPerMonth' => null === $month
                    ? null
                    : array_map($rounded, $month) + ['chanceReal' => $rounded($progress->trend?->chanceReal())],
            'step' => null === $progress->step ? null : ['on' => CalendarDay::of($progress->step)],
            'forecast' => null === $progress->from
                    ? null
                    : [
                        'from' => CalendarDay::of($progress->from),
                        'to' => null === $progress->to ? null : CalendarDay::of($progress->to),
                        'chance' => $progress->chance,
                    ],
            'because' => $this->texts->text($progress->because),
        ];
    }
}
