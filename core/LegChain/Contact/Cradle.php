<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain\Contact;

use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;

/**
 * The leg cradled before the chest: the foot in the bend of the other elbow, 12 cm across the
 * midline, 20 cm in front of the hip line, and half way up the torso, in the pelvis's frame (this
 * product's own constants). Read by the heights of knee and ankle above the floor: where else the
 * ankle is nobody measures, so that it errs by what elbows differ.
 */
final readonly class Cradle extends SeatedContact implements Contact
{
    private const IN_FRONT = 20.0;
    private const ACROSS = -12.0;
    private const UP = 0.5;
    /** One SD of how far in front and across an elbow holds a foot, in cm. */
    private const ELBOWS_DIFFER = 3.0;

    /**
     * @param float $torso in cm; of no account where the ankle was measured
     * @param float|null $ankleHeight above the floor, in cm
     * @param float $forward how much further in front the foot is held, in cm
     * @param float $across how much further towards this leg, in cm
     *
     * @throws InvalidValue when the torso is not more than zero, or the height negative
     */
    public function __construct(
        public float $torso,
        Sitting $sitting,
        private ?float $ankleHeight = null,
        private float $forward = 0.0,
        private float $across = 0.0,
    ) {
        parent::__construct($sitting);
        null === $ankleHeight
            ? Check::positive('torso', $torso)
            : Check::notNegative(FigureFour::ANKLE, $ankleHeight);
    }

    public function ankle(Body $body): Vector
    {
        return null === $this->ankleHeight
            ? $this->fromPelvis($body, new Vector(self::IN_FRONT, self::ACROSS, self::UP * $this->torso))
            : new Vector(self::IN_FRONT + $this->forward, self::ACROSS + $this->across, $this->ankleHeight);
    }

    public function readingErrors(): array
    {
        return null === $this->ankleHeight
            ? []
            : [
                FigureFour::ANKLE => Reading::TAPE_ERROR,
                'forward' => self::ELBOWS_DIFFER,
                'across' => self::ELBOWS_DIFFER,
            ];
    }

    public function props(): array
    {
        return parent::props() +
            (null === $this->ankleHeight
                ? []
                : [FigureFour::ANKLE => $this->ankleHeight, 'forward' => $this->forward, 'across' => $this->across]);
    }

    public function shifted(string $name, float $by): static
    {
        return new self(
            $this->torso,
            $this->sitting->shifted($name, $by),
            null === $this->ankleHeight ? null : $this->ankleHeight + (FigureFour::ANKLE === $name ? $by : 0.0),
            $this->forward + ('forward' === $name ? $by : 0.0),
            $this->across + ('across' === $name ? $by : 0.0),
        );
    }

    public function seated(Sitting $sitting): static
    {
        return new self($this->torso, $sitting, $this->ankleHeight, $this->forward, $this->across);
    }

    public static function about(): About
    {
        return new About(
            'contact.cradle',
            [Control::seat(), Control::pelvicTilt()],
            test: new TestReading(5.0, isSeated: true, needs: ['kneeHeight', FigureFour::ANKLE]),
        );
    }

    public static function of(SetUp $set): Posture
    {
        return $set->has('kneeHeight')
            ? new KneeAtHeight(
                new self(1.0, $set->sitting(), $set->number(FigureFour::ANKLE)),
                $set->number('kneeHeight'),
            )
            : new FreeKnee(new self($set->upper(UpperBody::Torso), $set->sitting()), $set->capacity());
    }
}
