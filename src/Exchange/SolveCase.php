<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Json\Failure;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\AnkleContact;
use LucidAscent\Core\LegChain\Contact\AnkleIsPlaced;
use LucidAscent\Core\LegChain\Contact\AnkleOnThigh;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\SetUp;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegAngles;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\PropTable;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\LegChain\Sitting;

/**
 * One question to the leg chain, and its answer, in the JSON shape that the command line and the
 * pages share. Lengths in cm, angles in degrees, nothing rounded.
 */
final class SolveCase
{
    /** Where the foot lies on the other thigh is part of such a case. */
    private const ON_THIGH = 'half-lotus';

    /** @return array<string, mixed> the answer, or {"error": {"code", "message"}} */
    public static function answerText(string $json): array
    {
        if (strlen($json) > CaseStream::LONGEST_BYTES) {
            return Failure::of(
                'bad-input',
                sprintf('The case is longer than %d bytes.', CaseStream::LONGEST_BYTES),
            );
        }
        $case = json_decode($json, true);

        return JSON_ERROR_NONE === json_last_error()
            ? self::answer($case)
            : Failure::of('bad-input', 'The case is not valid JSON.');
    }

    /** @return array<string, mixed> the answer, or {"error": {"code", "message"}} */
    public static function answer(mixed $case): array
    {
        return Failure::orAnswer(static fn (): array => self::solve(Fields::of($case)));
    }

    /** @return array<string, mixed> */
    private static function solve(Fields $case): array
    {
        $posture = $case->text('posture');
        $body = self::body($case->object('body'));
        $sitting = new Sitting($case->number('seat', 0.0), $case->number('pelvicTilt', 0.0));

        if ('angles' === $posture) {
            $pose = LegChain::forward(
                $body,
                $sitting,
                new LegAngles(
                    $case->number('flexion'),
                    $case->number('abduction'),
                    $case->number('rotation'),
                    $case->number('kneeFlexion'),
                ),
            );

            return ['knee' => $pose->knee->toArray(), 'ankle' => $pose->ankle->toArray()];
        }
        $ask = $case->text('ask', 'angles');
        if ('lowest-knee' === $ask) {
            return self::lowestKnee(
                self::contact($posture, $case, $sitting),
                $body,
                self::capacity($case->object('capacity')),
            );
        }
        $read = self::posture($posture, $case, $sitting);

        return match ($ask) {
            'angles' => self::angles($read, $body, $case->flag('errors')),
            'shortfall' => self::shortfall($read, $body, self::capacity($case->object('capacity'))),
            'props' => self::props($read, $body),
            default => throw InvalidValue::because('ask', sprintf('"%s" is not known.', $ask)),
        };
    }

    /** The contact whose knee is asked about. */
    private static function contact(string $posture, Fields $case, Sitting $sitting): AnkleContact
    {
        if (self::ON_THIGH === $posture) {
            return self::onThigh($case->object('contact'), $sitting);
        }
        $contact = Contacts::find($posture);

        return null !== $contact && is_subclass_of($contact, AnkleIsPlaced::class)
            ? $contact::ankleOf(new SetUp($case, $sitting))
            : throw InvalidValue::because(
                'ask',
                sprintf('"lowest-knee" is for soles-together and half-lotus, not for "%s".', $posture),
            );
    }

    private static function posture(string $posture, Fields $case, Sitting $sitting): Posture
    {
        if (self::ON_THIGH === $posture) {
            return new KneeAtHeight(self::contact($posture, $case, $sitting), $case->number('kneeHeight'));
        }
        $contact =
            Contacts::find($posture) ??
            throw InvalidValue::because('posture', sprintf('"%s" is not known.', $posture));

        return $contact::of(
            new SetUp($case, $sitting, $case->has('capacity') ? self::capacity($case->object('capacity')) : null),
        );
    }

    private static function body(Fields $body): Body
    {
        return new Body(
            $body->number('thigh'),
            $body->number('shin'),
            $body->number('hipSpacing'),
            $body->number('seatedHipHeight'),
            $body->number('ankleAboveSole'),
        );
    }

    private static function onThigh(Fields $contact, Sitting $sitting): AnkleOnThigh
    {
        return new AnkleOnThigh(
            $contact->number('forward'),
            $contact->number('across'),
            $contact->number('above'),
            $sitting,
        );
    }

    private static function capacity(Fields $capacity): Capacity
    {
        return new Capacity(
            $capacity->optionalNumber('flexion'),
            $capacity->optionalNumber('abduction'),
            $capacity->optionalNumber('rotation'),
            $capacity->optionalNumber('kneeFlexion'),
        );
    }

    /** @return array<string, mixed> */
    private static function angles(Posture $posture, Body $body, bool $errors): array
    {
        $answer =
            $posture instanceof ChainReading ? self::pose($pose = $posture->pose($body)) : $posture->angles($body);
        if ($posture instanceof FreeKnee && isset($pose)) {
            $answer['margin'] = self::finite($posture->capacity->worstMargin($pose->angles));
        }

        return $errors && [] !== $posture->readingErrors()
            ? $answer + ['sd' => self::sd($posture, $body)]
            : $answer;
    }

    /** @return array<string, mixed> */
    private static function shortfall(Posture $posture, Body $body, Capacity $capacity): array
    {
        $angles = $posture->angles($body);
        $shortfall = Shortfall::of($angles, $capacity);
        $answer = ['shortfall' => $shortfall->missing, 'atKnee' => $shortfall->atKnee(), 'demand' => $angles];
        if ($posture instanceof KneeAtHeight) {
            $answer['kneeLift'] = Shortfall::kneeLift($posture, $body, $capacity);
        }

        return $answer;
    }

    /** @return array<string, mixed> */
    private static function props(Posture $posture, Body $body): array
    {
        return [
            'props' => array_map(
                static fn (array $row): array => [
                    'prop' => $row['prop']->value,
                    'unit' => $row['prop']->isAngle() ? 'degrees' : 'cm',
                    'from' => $row['from'],
                    'step' => $row['step'],
                    'change' => $row['change'],
                ],
                PropTable::of($posture, $body),
            ),
            'derivatives' => self::derivatives($posture, $body),
        ];
    }

    /**
     * @return array<string, array<string, array<string, float|null>>> degrees per cm or degree, by prop and by length
     *     of the body
     */
    private static function derivatives(Posture $posture, Body $body): array
    {
        $slopes = ['props' => [], 'body' => []];
        foreach (array_keys($posture->props()) as $name) {
            $slopes['props'][$name] = array_map(self::finite(...), Sensitivity::toProp($posture, $body, $name));
        }
        $sensitivity = Sensitivity::of($posture, $body);
        foreach (
            array_filter(
                Segment::ofLeg(),
                static fn (Segment $segment): bool => Segment::LyingHipHeight !== $segment,
            ) as $segment
        ) {
            foreach (array_keys($posture->angles($body)) as $component) {
                $slopes['body'][$segment->value][$component] = self::finite(
                    $sensitivity->toBody(Component::from($component), $segment),
                );
            }
        }

        return $slopes;
    }

    /** @return array<string, mixed> */
    private static function lowestKnee(AnkleContact $contact, Body $body, Capacity $capacity): array
    {
        $lowest = LowestKnee::of($contact, $body, $capacity);

        return ['kneeHeight' => $lowest->height(), 'limiter' => $lowest->limiter->value ?? 'floor'] +
            self::pose($lowest->pose);
    }

    /** @return array<string, mixed> */
    private static function pose(LegPose $pose): array
    {
        return $pose->angles->toArray() + ['knee' => $pose->knee->toArray(), 'ankle' => $pose->ankle->toArray()];
    }

    /** @return array<string, array<string, float|null>> */
    private static function sd(Reading $reading, Body $body): array
    {
        $sensitivity = Sensitivity::of($reading, $body);
        $bodyError = BodyError::measured();
        $sd = ['all' => [], 'reading' => []];
        foreach (array_keys($reading->angles($body)) as $name) {
            $component = Component::from($name);
            $sd['all'][$name] = self::finite($sensitivity->error($component, $bodyError));
            $sd['reading'][$name] = self::finite($sensitivity->readingError($component));
        }

        return $sd;
    }

    /** JSON has no infinity: an error without bound is null. */
    private static function finite(float $value): ?float
    {
        return is_finite($value) ? $value : null;
    }
}
