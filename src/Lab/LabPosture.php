<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

use LucidAscent\App\Exchange\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\CowFace;
use LucidAscent\Core\LegChain\Contact\Cradle;
use LucidAscent\Core\LegChain\Contact\DeepPigeonBack;
use LucidAscent\Core\LegChain\Contact\DeepSquat;
use LucidAscent\Core\LegChain\Contact\EasyCrossLeg;
use LucidAscent\Core\LegChain\Contact\FigureFour;
use LucidAscent\Core\LegChain\Contact\Frog;
use LucidAscent\Core\LegChain\Contact\FullLotus;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\HeelToSeat;
use LucidAscent\Core\LegChain\Contact\LegBehindHead;
use LucidAscent\Core\LegChain\Contact\LegOverShoulder;
use LucidAscent\Core\LegChain\Contact\LegRaise;
use LucidAscent\Core\LegChain\Contact\PigeonFront;
use LucidAscent\Core\LegChain\Contact\ShinsStacked;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\Contact\WideLegs;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\Sitting;

/** The postures of the pose lab, the controls that each has, and how they make up the core's posture. */
enum LabPosture: string
{
    case SolesTogether = 'soles-together';
    case ShinsStacked = 'shins-stacked';
    case HalfLotusEasy = 'half-lotus-easy';
    case HalfLotus = 'half-lotus';
    case FullLotus = 'full-lotus';
    case EasyCrossLeg = 'easy-cross-leg';
    case PigeonFront = 'pigeon-front';
    case DeepPigeonBack = 'deep-pigeon-back';
    case CowFace = 'cow-face';
    case LegBehindHead = 'leg-behind-head';
    case LegOverShoulder = 'leg-over-shoulder';
    case Cradle = 'cradle';
    case FigureFourLying = 'figure-four-lying';
    case FigureFourSeated = 'figure-four-seated';
    case FigureFourStanding = 'figure-four-standing';
    case DeepSquat = 'deep-squat';
    case WideLegs = 'wide-legs';
    case Frog = 'frog';
    case LegRaise = 'leg-raise';
    case HeelToSeat = 'heel-to-seat';

    public function label(): string
    {
        return match ($this) {
            self::SolesTogether => 'Soles together',
            self::ShinsStacked => 'Shins stacked, top leg',
            self::HalfLotusEasy => 'Half lotus, foot on the mid-thigh',
            self::HalfLotus => 'Half lotus, foot in the crease',
            self::FullLotus => 'Full lotus, second leg',
            self::EasyCrossLeg => 'Easy cross-leg',
            self::PigeonFront => 'Pigeon, front leg',
            self::DeepPigeonBack => 'Deep pigeon, back leg',
            self::CowFace => 'Cow face, top leg',
            self::LegBehindHead => 'Leg behind the head',
            self::LegOverShoulder => 'Leg over the shoulder',
            self::Cradle => 'Leg cradle',
            self::FigureFourLying => 'Figure four, lying',
            self::FigureFourSeated => 'Figure four, seated',
            self::FigureFourStanding => 'Figure four, standing',
            self::DeepSquat => 'Deep squat, heels down',
            self::WideLegs => 'Wide legs, straight',
            self::Frog => 'Frog, knees apart',
            self::LegRaise => 'Lying leg raise, straight',
            self::HeelToSeat => 'Prone, heel to seat',
        };
    }

    /** @return list<Control> */
    public function controls(): array
    {
        $seat = Control::cm('seat', 'Seat height', 0, 30, 0);
        $tilt = Control::degrees('pelvicTilt', 'Pelvis tipped forward', -30, 30, 0);
        $rounding = Control::degrees('rounding', 'Rounding of the back', 0, 120, 40);

        return match ($this) {
            self::SolesTogether => [Control::cm('kneeHeight', 'Knee height', 5, 45, 14), Control::cm('heelDistance', 'Heel distance', 5, 60, 20), $seat, $tilt],
            self::ShinsStacked => [Control::cm('kneeHeight', 'Knee height', 5, 40, 14), Control::cm('ankleHeight', 'Ankle height', 5, 45, 10), $seat, $tilt],
            self::HalfLotusEasy, self::HalfLotus => [Control::cm('kneeHeight', 'Knee height', 5, 45, self::HalfLotus === $this ? 10 : 20), $seat, $tilt],
            self::PigeonFront => [Control::cm('hipHeight', 'Hip height', 8, 40, 18), Control::degrees('shinAngle', 'Shin turned from parallel', 0, 80, 45), $tilt],
            self::DeepPigeonBack => [
                Control::cm('hipHeight', 'Hip height', 8, 40, 18),
                Control::degrees('kneeFlexion', 'Knee bent', 0, 150, 100),
                Control::degrees('backBend', 'Back bend', 0, 120, 40),
                Control::degrees('shoulderFlexion', 'Arm raised', 90, 200, 170),
                Control::degrees('elbowFlexion', 'Elbow bent', 0, 150, 60),
                $tilt,
            ],
            self::CowFace => [Control::cm('kneeHeight', 'Knee height', 8, 40, 18), Control::cm('heelAhead', 'Heel ahead of the hips', 0, 30, 4), $seat, $tilt],
            self::LegBehindHead => [$rounding, Control::cm('kneeOutside', 'Knee out from the midline', 8, 40, 20), $seat, $tilt],
            self::LegOverShoulder => [$rounding],
            self::EasyCrossLeg => [Control::cm('ahead', 'Feet ahead of the hips', 10, 40, 22), $seat, $tilt],
            self::FigureFourSeated, self::FigureFourStanding, self::FigureFourLying => [Control::degrees('otherFlexion', 'Other thigh folded', 30, 150, match ($this) {
                self::FigureFourLying => 90.0,
                self::FigureFourSeated => 120.0,
                default => 70.0,
            })],
            self::FullLotus, self::Cradle => [$seat, $tilt],
            self::DeepSquat => [Control::cm('hipHeight', 'Hip height', 10, 60, 22), Control::cm('stance', 'Stance', 10, 60, 30), $tilt],
            self::WideLegs => [Control::cm('span', 'Span between the ankles', 20, 180, 120)],
            self::Frog => [Control::cm('span', 'Span between the knees', 20, 110, 80)],
            self::LegRaise => [Control::cm('heelHeight', 'Heel height', 0, 90, 60)],
            self::HeelToSeat => [Control::cm('gap', 'Hip to ankle', 5, 80, 20)],
        };
    }

    /**
     * @param float $stature in cm: torso and arms are taken as shares of it
     *
     * @throws InvalidValue when a number is missing, or is none
     */
    public function posture(Fields $values, Capacity $capacity, float $stature): Posture
    {
        $torso = UpperBody::Torso->ofStature($stature);
        $sitting = new Sitting($values->number('seat', 0.0), $values->number('pelvicTilt', 0.0));
        $number = $values->number(...);

        return match ($this) {
            self::SolesTogether => new KneeAtHeight(new SolesTogether($number('heelDistance'), $sitting), $number('kneeHeight')),
            self::ShinsStacked => new ShinsStacked($number('kneeHeight'), $number('ankleHeight'), $sitting),
            self::HalfLotusEasy => new KneeAtHeight(HalfLotus::easy($sitting), $number('kneeHeight')),
            self::HalfLotus => new KneeAtHeight(HalfLotus::deep($sitting), $number('kneeHeight')),
            self::FullLotus => new FreeKnee(FullLotus::second($sitting), $capacity),
            self::EasyCrossLeg => new FreeKnee(new EasyCrossLeg($sitting, $number('ahead')), $capacity),
            self::PigeonFront => new PigeonFront($number('hipHeight'), $number('shinAngle'), $sitting->pelvicTilt),
            self::DeepPigeonBack => new DeepPigeonBack(
                $number('hipHeight'),
                $number('kneeFlexion'),
                $number('backBend'),
                $number('shoulderFlexion'),
                $number('elbowFlexion'),
                $torso,
                UpperBody::UpperArm->ofStature($stature),
                UpperBody::Forearm->ofStature($stature),
                $sitting->pelvicTilt,
            ),
            self::CowFace => new CowFace($number('kneeHeight'), $number('heelAhead'), $sitting),
            self::LegBehindHead => new FreeKnee(new LegBehindHead($torso, $number('rounding'), $sitting), $capacity, $number('kneeOutside')),
            self::LegOverShoulder => new LegOverShoulder($torso, $number('rounding')),
            self::Cradle => new FreeKnee(new Cradle($torso, $sitting), $capacity),
            self::FigureFourLying => new FreeKnee(new FigureFour($number('otherFlexion'), new Sitting(0.0, -90.0)), $capacity),
            self::FigureFourSeated => new FreeKnee(new FigureFour($number('otherFlexion'), $sitting), $capacity),
            // The seat sinks as the standing thigh folds, its shin upright on the foot.
            self::FigureFourStanding => new FreeKnee(new FigureFour(
                $number('otherFlexion'),
                new Sitting(max(0.0, $stature * (
                    Segment::Thigh->shareOfStature() * cos(deg2rad($number('otherFlexion')))
                    + Segment::Shin->shareOfStature() + Segment::AnkleAboveSole->shareOfStature() - Segment::SeatedHipHeight->shareOfStature()
                ))),
            ), $capacity),
            self::DeepSquat => new FreeKnee(new DeepSquat($number('hipHeight'), $number('stance'), $sitting->pelvicTilt), $capacity),
            self::WideLegs => new WideLegs($number('span')),
            self::Frog => new Frog($number('span')),
            self::LegRaise => new LegRaise($number('heelHeight')),
            self::HeelToSeat => new HeelToSeat($number('gap')),
        };
    }
}
