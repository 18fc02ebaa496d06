<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Practice\Elsewhere;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\TestDefinition;

/**
 * Whether something may be done now, on a side, and why not. The one answer for whoever plans, shows, leads, tries or
 * measures it; what it is done for, to warm up, to work, to undo or to rest, makes no difference.
 */
final readonly class May
{
    /** @param list<Reason> $bars nothing when it may */
    private function __construct(public array $bars)
    {
    }

    /**
     * A rung, a form beside one, or what is repeated in that position.
     *
     * @param Side|null $side null for both at once: then neither may bar it
     */
    public static function practise(ReadPoses $poses, string $posture, string $shape, ?Side $side): self
    {
        $bars = [];
        foreach (null === $side ? Side::cases() : [$side] as $one) {
            // What the catalogue no longer has is nothing that anybody can answer for.
            $there = isset($poses->postures[$posture]) ? $poses->shape($posture, $shape, $one) : null;
            array_push($bars, ...$there->bars ?? [new Reason('bar.gone', Source::Own)]);
        }

        return new self($bars);
    }

    /** Anything of a body that nobody measured: nothing says that it may be done. */
    public static function unmeasured(): self
    {
        return new self([new Reason('bar.unmeasured', Source::Own)]);
    }

    /** Whose first try waits for a lesson. */
    public static function firstWithTeacher(): self
    {
        return new self([new Reason('bar.teacher-first', Source::Trade)]);
    }

    /** Deep work, so soon after such work elsewhere. */
    public static function tooSoonAfter(Elsewhere $elsewhere, \DateTimeImmutable $day, int $daysApart): self
    {
        return new self([
            new Reason('bar.elsewhere', Source::Trade, [
                'elsewhere' => $elsewhere->kind->value,
                'minutes' => $elsewhere->minutes,
                'ago' => Day::between($elsewhere->on, $day),
                'days' => $daysApart,
            ]),
        ]);
    }

    /**
     * A rung under the teacher's eye, on the way up from the ground: numbers may be short of it, and what is below need
     * not have been passed.
     */
    public static function try(PoseReading $pose, string $rung): self
    {
        return new self($pose->onLadder()->barsToTry($rung));
    }

    /** A test. One that reads both sides at once is held by what holds either. */
    public static function take(Holds $holds, TestDefinition $test, Side $side): self
    {
        $bars = [];
        foreach ($test->bothSides ? [$side] : Side::cases() as $one) {
            array_push($bars, ...array_map(self::held(...), $holds->on($test->work, $one)));
        }

        return new self($bars);
    }

    /** A test on some side at least: a side that is free is tested all the same. */
    public static function takeAtAll(Holds $holds, TestDefinition $test): self
    {
        $bars = [];
        foreach (Side::cases() as $side) {
            $may = self::take($holds, $test, $side);
            if ($may->isYes()) {
                return $may;
            }
            array_push($bars, ...$may->bars);
        }

        return new self($bars);
    }

    /** Any position, by what it loads: held, or too deep beside a side that rests altogether. */
    public static function load(Holds $holds, Work $work, Side $side): self
    {
        $bars = array_map(self::held(...), $holds->on($work, $side));

        return new self(
            [] === $bars && self::waitsForOtherSide($holds, $work, $side)
                ? [new Reason('bar.other-side-rests', Source::Own)]
                : $bars,
        );
    }

    /** While a whole side rests, the other goes on in gentle shapes alone in which that one carries nothing. */
    public static function waitsForOtherSide(Holds $holds, Work $work, Side $side): bool
    {
        return (!$work->isGentle || $work->isBearing || $work->has(Load::Balance))
            && $holds->isWholeSideHeld($side->opposite());
    }

    /** Why work that is held may not be done. */
    public static function held(Hold $hold): Reason
    {
        return new Reason('held.condition', Source::Trade, [
            'condition' => $hold->holds->id,
            'name' => $hold->holds->name,
            'entry' => $hold->id(),
            'ends' => $hold->endedBy(),
        ]);
    }

    public function isYes(): bool
    {
        return [] === $this->bars;
    }

    /** Whether it is a hold that bars it, rather than what has to come first. */
    public function isHeld(): bool
    {
        return [] !== $this->heldBy();
    }

    /** @return list<string> the names of what holds it */
    public function heldBy(): array
    {
        $names = [];
        foreach ($this->bars as $bar) {
            $name = $bar->numbers['name'] ?? null;
            if ('held.condition' === $bar->code && is_string($name)) {
                $names[] = $name;
            }
        }

        return array_values(array_unique($names));
    }
}
