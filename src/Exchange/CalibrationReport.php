<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\Calibration\Calibration;
use LucidAscent\Core\Readiness\State;

/** What a calibration found, for somebody who asks how far the verdicts can be trusted: a page and a picture. */
final class CalibrationReport
{
    private const AIMS = [
        'wrongOpen' => 'of *open*, wrong in percent (every pose of everybody, after every test)',
        'wrongShort' => 'of *short*, wrong in percent (likewise)',
        'wrongOpenAsWanted' => 'of *open*, wrong in percent (the pose that each came for, once nothing more was worth measuring)',
        'wrongShortAsWanted' => 'of *short*, wrong in percent (likewise)',
        'chances' => 'points between a stated chance and what happened, in the tenth where they are most',
        'intervals' => '95 % intervals that hold the truth, in percent',
        'readings' => 'readings in the proposed order, for 100 in the taught order',
    ];
    private const TEXT = <<<'TEXT'
        # How far the verdicts can be trusted

        People are made whose bodies and abilities are known. They are measured with tapes and inclinometers that err as
        those do, some of them with lengths measured and some with lengths estimated from stature; a knee that comes to
        rest is read as such, and a third of the time nobody raises the ankle at once. They are read by the same code as
        anybody, and what is said of them is held against the truth.

        Made by `php bin/console ascent:calibrate --people={people} --seed={seed} --into=docs`. The same seed makes the
        same people.

        | what | aim | found | |
        |---|---|---|---|
        {aims}

        ![Chances that were stated against what happened, and how often intervals hold the truth](validation.svg)

        Of {verdicts} verdicts after every test, {near} % were *near* and {unknown} % *unknown*; of those on the poses
        that people came for, once nothing more was worth measuring, {wantedNear} % and {wantedUnknown} %. Until then it
        took {proposed} readings in the proposed order and {taught} in the order in which the tests are taught (one side
        of one test is one reading; {ordered} people).

        ## Chances

        | stated | verdicts | stated, on the average | happened |
        |---|---|---|---|
        {tenths}

        ## 95 % intervals of what a side can do

        | ability | intervals | hold the truth, in percent |
        |---|---|---|
        {abilities}

        ## What this proves, and what it cannot

        It proves that errors are carried through as they should be: what a body is measured wrong by, what a reading is
        off by, what two readings share, what a lower bound says and does not say, and what a free knee makes good in
        one angle with another.

        Times (balance, strength) are held for less sure than these made-up people would ask for: how long somebody
        manages varies from day to day, which the spread of the trials stands for, and here nobody has days.

        It proves nothing of the leg chain itself: the truth is worked out by the same one, with straight segments and
        one limit for each axis. It supposes that tools err as they are said to, that nobody's ankle slides unseen, and
        that people are spread as this product supposes (`core/Calibration/People.php`): wider than they are, so that
        many are near a demand, where it is hard to tell. Gates that a teacher asks (an elbow that reaches the sole) are
        no part of it.

        TEXT;

    /** @return array<string, string> the text of each file by its name */
    public static function of(Calibration $found): array
    {
        return ['validation.md' => self::page($found), 'validation.svg' => CalibrationPicture::of($found->all)];
    }

    private static function page(Calibration $found): string
    {
        $aims = [];
        foreach ($found->aims() as $name => ['value' => $value, 'met' => $met]) {
            $limit = match ($name) {
                'chances' => sprintf('at most %g', Calibration::POINTS),
                'intervals' => sprintf('%g to %g', ...Calibration::COVERED),
                'readings' => sprintf('at most %g', Calibration::READINGS),
                default => sprintf('under %g', Calibration::WRONG),
            };
            $aims[] = [
                self::AIMS[$name],
                $limit,
                null === $value ? 'too few to say' : sprintf('%.2f', $value),
                null === $met ? '' : ($met ? 'met' : '**missed**'),
            ];
        }
        $tenths = array_map(
            static fn (array $one): array => [
                "{$one['from']} to {$one['to']} %",
                (string) $one['verdicts'],
                sprintf('%.1f', $one['stated']),
                sprintf('%.1f', $one['happened']),
            ],
            $found->all->reliability(),
        );
        $abilities = [];
        foreach ($found->all->coverage() as $name => $of) {
            $abilities[] = [$name, (string) $of['intervals'], sprintf('%.1f', $of['covered'])];
        }

        return strtr(self::TEXT, [
            '{people}' => (string) $found->people,
            '{seed}' => (string) $found->seed,
            '{aims}' => self::rows($aims),
            '{verdicts}' => number_format($found->all->many()),
            '{near}' => sprintf('%.1f', $found->all->share(State::Near)),
            '{unknown}' => sprintf('%.1f', $found->all->share(State::Unknown)),
            '{wantedNear}' => sprintf('%.1f', $found->asked->share(State::Near)),
            '{wantedUnknown}' => sprintf('%.1f', $found->asked->share(State::Unknown)),
            '{proposed}' => sprintf('%.1f', $found->proposed()),
            '{taught}' => sprintf('%.1f', $found->inOrder()),
            '{ordered}' => (string) $found->ordered(),
            '{tenths}' => self::rows($tenths),
            '{abilities}' => self::rows($abilities),
        ]);
    }

    /** @param list<list<string>> $rows */
    private static function rows(array $rows): string
    {
        return implode(
            "\n",
            array_map(static fn (array $row): string => '| '.implode(' | ', $row).' |', $rows),
        );
    }
}
