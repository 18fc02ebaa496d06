<?php

declare(strict_types=1);

namespace LucidAscent\Core\Testing;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Sitting;

/**
 * Soles-together sitting as it was measured on one side. Heights are to the knee's centre and,
 * like the distances, in cm.
 */
final readonly class SolesTogetherTest
{
    public const MOST_TRIALS = 3;
    /** No seat prop is higher than a chair. */
    public const HIGHEST_SEAT = 50.0;
    public const FURTHEST = 130.0;

    public RepeatedMeasure $kneeHeight;
    public RepeatedMeasure $heelDistance;

    /**
     * @param list<array{kneeHeight: float, heelDistance: float}> $trials
     *
     * @throws InvalidValue when there is no trial, or a number could not have been read
     */
    public function __construct(
        public Side $side,
        public float $seat,
        public array $trials,
        public Pain $pain,
        public \DateTimeImmutable $on,
    ) {
        Check::within('seat', $seat, 0.0, self::HIGHEST_SEAT, 'cm');
        if ([] === $trials) {
            throw InvalidValue::missing('kneeHeight');
        }
        foreach ($trials as $trial) {
            Check::within('kneeHeight', $trial['kneeHeight'], 0.0, self::FURTHEST, 'cm');
            Check::within('heelDistance', $trial['heelDistance'], 0.0, self::FURTHEST, 'cm');
        }
        $this->kneeHeight = new RepeatedMeasure(array_column($trials, 'kneeHeight'));
        $this->heelDistance = new RepeatedMeasure(array_column($trials, 'heelDistance'));
    }

    public function sitting(): Sitting
    {
        return new Sitting($this->seat);
    }

    public function reading(): KneeAtHeight
    {
        return new KneeAtHeight(
            new SolesTogether($this->heelDistance->mean(), $this->sitting()),
            $this->kneeHeight->mean(),
        );
    }

    /** @return array<string, float> one SD, in cm: the tape's own, or the spread where that is larger */
    public function readingErrors(): array
    {
        return [
            'kneeHeight' => $this->kneeHeight->error(Reading::TAPE_ERROR),
            'heelDistance' => $this->heelDistance->error(Reading::TAPE_ERROR),
        ];
    }

    public function sensitivity(Body $body): Sensitivity
    {
        return Sensitivity::of($this->reading(), $body)->withReadingErrors($this->readingErrors());
    }
}
