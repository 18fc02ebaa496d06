<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Segment;

/**
 * How much the angles move when a length of the body or a reading is a little off: first-order
 * derivatives, in degrees per cm (or per degree, where an angle was read). Body and reading are
 * kept apart, so that what capacity and demand share can cancel before anything is squared.
 */
final class Sensitivity
{
    /** Step of the central difference, in the reading's own unit. */
    private const STEP = 1e-4;

    /** @var list<Segment>|null */
    private static ?array $erring = null;
    /** @var \WeakMap<Body, array<string, array{Body|null, Body|null}>>|null */
    private static ?\WeakMap $beside = null;

    /**
     * @param array<string, array<string, float>> $toBody component → segment → degrees per cm
     * @param array<string, array<string, float>> $toReading component → what was read → degrees per unit
     * @param array<string, float> $errors one SD of each value that was read
     */
    private function __construct(
        private readonly array $toBody,
        private readonly array $toReading,
        private readonly array $errors,
    ) {
    }

    /**
     * @throws OutOfReach when the position cannot be made
     * @throws StraightKnee when rotation cannot be read
     */
    public static function of(Reading $reading, Body $body): self
    {
        return self::with($reading, $body, Segment::ofLeg(), $reading->readingErrors());
    }

    /**
     * Of what is set up and not read, as far as anything in it errs: a length that is known exactly moves no error.
     *
     * @throws OutOfReach when the position cannot be made
     * @throws StraightKnee when rotation cannot be read
     */
    public static function ofSetUp(Reading $reading, Body $body): self
    {
        return self::with(
            $reading,
            $body,
            self::$erring ??= array_values(
                array_filter(
                    Segment::ofLeg(),
                    static fn (Segment $segment): bool => $segment->measuringError() > 0.0,
                ),
            ),
            [],
        );
    }

    /**
     * @param list<Segment> $segments
     * @param array<string, float> $read one SD of what was read
     */
    private static function with(Reading $reading, Body $body, array $segments, array $read): self
    {
        if ($reading instanceof Inclination && NearVertical::isNear($reading, $body)) {
            [$toBody, $toReading] = NearVertical::slopes($reading, $body);
            $name = $reading::component()->value;

            return new self([$name => $toBody], [$name => array_intersect_key($toReading, $read)], $read);
        }
        $centre = $reading->angles($body);
        $toBody = $toReading = [];
        $beside = self::beside($body);
        foreach ($segments as $segment) {
            $name = $segment->value;
            if (
                Segment::LyingHipHeight === $segment
                && $reading instanceof ChainReading
                && $reading->pelvicTilt() > Sitting::ON_BACK
            ) {
                // Nobody lies in it.
                continue;
            }
            [$longer, $shorter] = $beside[$name];
            $slopes = self::between($centre, self::attempt($reading, $longer), self::attempt($reading, $shorter));
            foreach ($slopes as $component => $value) {
                $toBody[$component][$name] = $value;
            }
        }
        foreach (array_keys($read) as $name) {
            foreach (self::toValue($reading, $body, $name, $centre) as $component => $value) {
                $toReading[$component][$name] = $value;
            }
        }

        return new self($toBody, $toReading, $read);
    }

    /** A fixed figure, such as a norm: nothing moves it. */
    public static function none(): self
    {
        return new self([], [], []);
    }

    /** Of the difference between these angles and others of the same body. */
    public function minus(self $other): self
    {
        $toBody = $this->toBody;
        foreach ($other->toBody as $component => $slopes) {
            foreach ($slopes as $segment => $slope) {
                $toBody[$component][$segment] = ($toBody[$component][$segment] ?? 0.0) - $slope;
            }
        }
        // Readings are new each time: those of the two sides stay apart under names of their own.
        $toReading = $this->toReading;
        $errors = $this->errors;
        foreach ($other->toReading as $component => $slopes) {
            foreach ($slopes as $name => $slope) {
                $toReading[$component]['other.'.$name] = -$slope;
            }
        }
        foreach ($other->errors as $name => $sd) {
            $errors['other.'.$name] = $sd;
        }

        return new self($toBody, $toReading, $errors);
    }

    /**
     * The same, with other errors for what was read, for example from repeated trials.
     *
     * @param array<string, float> $errors one SD by name
     */
    public function withReadingErrors(array $errors): self
    {
        return new self($this->toBody, $this->toReading, $errors + $this->errors);
    }

    /** Degrees per cm of a length of the body. */
    public function toBody(Component $component, Segment $segment): float
    {
        return $this->toBody[$component->value][$segment->value] ?? 0.0;
    }

    /** Degrees per unit of the value that was read. */
    public function toReading(Component $component, string $name): float
    {
        return $this->toReading[$component->value][$name] ?? 0.0;
    }

    /** Of one component alone, so that it can be combined with what other readings show; $reading names this one. */
    public function uncertainty(Component $component, string $reading = 'reading'): Uncertainty
    {
        $moved = [];
        foreach ($this->toReading[$component->value] ?? [] as $name => $slope) {
            $moved["$reading.$name"] = Uncertainty::moved($slope, $this->errors[$name]);
        }

        return new Uncertainty($this->toBody[$component->value] ?? [], $moved);
    }

    /** One SD of a component from the readings alone, in degrees. */
    public function readingError(Component $component): float
    {
        $variance = 0.0;
        foreach ($this->toReading[$component->value] ?? [] as $name => $slope) {
            $variance += Uncertainty::moved($slope, $this->errors[$name]) ** 2;
        }

        return sqrt($variance);
    }

    /** One SD of a component from body and readings together, in degrees. */
    public function error(Component $component, BodyError $body): float
    {
        $variance = $this->readingError($component) ** 2;
        foreach ($this->toBody[$component->value] ?? [] as $segment => $slope) {
            $variance += Uncertainty::moved($slope, $body->sd(Segment::from($segment))) ** 2;
        }

        return sqrt($variance);
    }

    /**
     * How the angles of a posture move with one of its props or chosen angles.
     *
     * @return array<string, float> degrees per cm, or per degree, by component
     *
     * @throws OutOfReach when the position cannot be made
     * @throws StraightKnee when rotation cannot be read
     */
    public static function toProp(Posture $posture, Body $body, string $prop): array
    {
        return self::toValue($posture, $body, $prop, $posture->angles($body));
    }

    /**
     * A body with each of its lengths a step longer, and a step shorter: the same for all that it is asked.
     *
     * @return array<string, array{Body|null, Body|null}> by segment; null where nothing of it would be left
     */
    private static function beside(Body $body): array
    {
        self::$beside ??= new \WeakMap();

        return self::$beside[$body] ??= array_combine(
            array_column(Segment::ofLeg(), 'value'),
            array_map(
                static fn (Segment $segment): array => [
                    self::longer($body, $segment, self::STEP),
                    self::longer($body, $segment, -self::STEP),
                ],
                Segment::ofLeg(),
            ),
        );
    }

    private static function longer(Body $body, Segment $segment, float $by): ?Body
    {
        try {
            return $body->shifted($segment, $by);
        } catch (InvalidValue) {
            return null;
        }
    }

    /**
     * @param array<string, float> $centre
     *
     * @return array<string, float> degrees per unit of a value that was read or set, by component
     */
    private static function toValue(Reading $reading, Body $body, string $name, array $centre): array
    {
        return self::between(
            $centre,
            self::shifted($reading, $body, $name, self::STEP),
            self::shifted($reading, $body, $name, -self::STEP),
        );
    }

    /**
     * @param array<string, float> $centre
     * @param array<string, float>|null $above a step further on; null where no leg can be made there
     * @param array<string, float>|null $below a step back
     *
     * @return array<string, float>
     */
    private static function between(array $centre, ?array $above, ?array $below): array
    {
        $width = (null === $above ? 0.0 : self::STEP) + (null === $below ? 0.0 : self::STEP);
        $slope = [];
        foreach ($centre as $component => $here) {
            // A position on the very edge of reach: any error at all may move the angle anywhere.
            if (0.0 === $width) {
                $slope[$component] = INF;
                continue;
            }
            $change = ($above[$component] ?? $here) - ($below[$component] ?? $here);
            // Angles wrap: the short way round is the change.
            $slope[$component] =
                ($change > 180.0 ? $change - 360.0 : ($change < -180.0 ? $change + 360.0 : $change)) / $width;
        }

        return $slope;
    }

    /** @return array<string, float>|null degrees by component; null where no leg can be made */
    private static function shifted(Reading $reading, Body $body, string $name, float $by): ?array
    {
        try {
            return $reading->shifted($name, $by)->angles($body);
        } catch (OutOfReach|StraightKnee|InvalidValue) {
            return null;
        }
    }

    /** @return array<string, float>|null degrees by component; null where no leg can be made */
    private static function attempt(Reading $reading, ?Body $body): ?array
    {
        try {
            return null === $body ? null : $reading->angles($body);
        } catch (\DomainException) {
            return null;
        }
    }
}
