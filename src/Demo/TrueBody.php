<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\UnreadableTest;

/**
 * Somebody made up, of whom everything is known: true lengths and true abilities. What a tool reads of them
 * follows from those, and errs as that tool errs, so that no two readings contradict each other.
 */
final readonly class TrueBody
{
    /** One SD of a trial about what is there: cm of a tape, degrees of an inclinometer, seconds. */
    private const NOISE = ['cm' => 0.3, 'degrees' => 1.0, 'seconds' => 1.5];
    private const HALVINGS = 50;
    /** Nobody draws the heels nearer than this in the demo, in cm. */
    private const NEAREST = 14.0;

    /** @param array<string, array<string, float>> $abilities true values by side and ability, in degrees, cm and seconds */
    public function __construct(public Proportions $proportions, private array $abilities, private \Random\Randomizer $random)
    {
    }

    /**
     * The trials of one test on one side.
     *
     * @param array<string, float> $fixed what is set and not read: an ankle's height, the heels' distance
     *
     * @return non-empty-list<array<string, float>>
     *
     * @throws \LogicException when these abilities give no reading
     */
    public function trials(TestDefinition $test, Side $side, array $fixed, string $free, Ability $shows, int $count): array
    {
        if ($test->formula->is('soles-together')) {
            $fixed['heelDistance'] = $this->heels();
            $true = $this->lowestKnee($side, $fixed['heelDistance']) ?? throw new \LogicException('The knees are nowhere.');
        } else {
            $true = $this->reading($test, $side, $fixed, $free, $shows);
        }
        $noise = self::NOISE[$test->measured[$free] ?? 'degrees'];

        return array_map(fn (): array => $fixed + [$free => round($true + $noise * $this->normal(), 1)], range(1, max(1, $count)));
    }

    /** The heels as near as both sides let them come, in cm. */
    private function heels(): float
    {
        $heels = self::NEAREST;
        while (null === $this->lowestKnee(Side::Left, $heels) || null === $this->lowestKnee(Side::Right, $heels)) {
            $heels += 1.0;
        }

        return $heels;
    }

    private function lowestKnee(Side $side, float $heels): ?float
    {
        $of = $this->abilities[$side->value];

        return LowestKnee::search(new SolesTogether($heels, new Sitting()), $this->proportions->body($side), new Capacity($of['flexion'], $of['abduction'], $of['rotation'], $of['kneeFlexion']))?->height();
    }

    /**
     * The reading that shows just this much, by halving.
     *
     * @param array<string, float> $fixed
     */
    private function reading(TestDefinition $test, Side $side, array $fixed, string $free, Ability $shows): float
    {
        $value = $this->abilities[$side->value][$shows->value];
        $shown = function (float $read) use ($test, $side, $fixed, $free, $shows, $value): ?float {
            try {
                $evidence = ReadTest::evidence($test, new TakenTest($test->id, $side, Tool::Tape, [$fixed + [$free => $read]]), $this->proportions->body($side), ToolErrors::usual());
            } catch (UnreadableTest|InvalidValue) {
                return null;
            }

            foreach ($evidence as $one) {
                if ($one->ability === $shows) {
                    return $one->value - $value;
                }
            }

            return null;
        };
        $last = null;
        for ($read = -30.0; $read <= 200.0; $read += 1.0) {
            $here = $shown($read);
            if (null !== $here && null !== $last && ($here > 0.0) !== ($last > 0.0)) {
                [$low, $high] = [$read - 1.0, $read];
                for ($i = 0; $i < self::HALVINGS; ++$i) {
                    $middle = ($low + $high) / 2;
                    (($shown($middle) ?? $last) > 0.0) === ($last > 0.0) ? $low = $middle : $high = $middle;
                }

                return $low;
            }
            $last = $here;
        }
        throw new \LogicException(sprintf('No reading of %s shows %.1f.', $test->id, $value));
    }

    private function normal(): float
    {
        return sqrt(-2 * log($this->random->getInt(1, 1_000_000) / 1e6)) * cos(2 * M_PI * $this->random->getInt(0, 1_000_000) / 1e6);
    }
}
