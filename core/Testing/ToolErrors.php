<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Reading;

/**
 * How far each tool is off, one standard deviation: lengths in cm, angles in degrees, times in
 * seconds. The defaults are this product's own; a teacher's own repeats may replace them.
 */
final readonly class ToolErrors
{
    public const DEFAULTS = [
        'tape' => Reading::TAPE_ERROR,
        'inclinometer' => 2.5,
        'photoLength' => 1.5,
        'photoAngle' => 3.0,
        'eyeLength' => 3.0,
        'eyeAngle' => 10.0,
        'stopwatch' => 0.5,
    ];
    /** No tool is better than this, or worse than that, in its own unit. */
    public const LEAST = 0.1;
    public const MOST = 30.0;

    /** @param array<string, float> $sd by the names of DEFAULTS */
    private function __construct(private array $sd)
    {
    }

    public static function usual(): self
    {
        return new self(self::DEFAULTS);
    }

    /**
     * @param array<string, float> $sd by the names of DEFAULTS; what is left out is as usual
     *
     * @throws InvalidValue when an error is not between 0.1 and 30
     */
    public static function of(array $sd): self
    {
        foreach ($sd as $name => $value) {
            Check::within($name, $value, self::LEAST, self::MOST, '');
        }

        return new self($sd + self::DEFAULTS);
    }

    /** @param string $unit cm, degrees or seconds */
    public function sd(Tool $tool, string $unit): float
    {
        return $this->sd[match ($unit) {
            'seconds' => 'stopwatch',
            'degrees' => match ($tool) {
                Tool::Photo => 'photoAngle',
                Tool::Observation => 'eyeAngle',
                default => 'inclinometer',
            },
            default => match ($tool) {
                Tool::Photo => 'photoLength',
                Tool::Observation => 'eyeLength',
                default => 'tape',
            },
        }];
    }

    /** @return array<string, float> by name */
    public function all(): array
    {
        return $this->sd;
    }
}
