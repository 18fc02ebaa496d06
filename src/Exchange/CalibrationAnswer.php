<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\Calibration\Calibration;
use LucidAscent\Core\Calibration\Tally;
use LucidAscent\Core\Readiness\State;

/** What a calibration found, as it is printed. Shares in percent. */
final class CalibrationAnswer
{
    /** @return array<string, mixed> */
    public static function of(Calibration $of): array
    {
        return [
            'people' => $of->people,
            'seed' => $of->seed,
            ...self::tally($of->all),
            'asWanted' => self::tally($of->asked),
            'readings' => [
                'people' => $of->ordered(),
                'proposed' => round($of->proposed(), 2),
                'catalogue' => round($of->inOrder(), 2),
                'percent' => round($of->readings(), 1),
            ],
            'aims' => array_map(
                static fn (array $aim): array => ['value' => self::rounded($aim['value']), 'met' => $aim['met']],
                $of->aims(),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function tally(Tally $tally): array
    {
        $state = static function (State $state) use ($tally): array {
            [$many, $wrong] = $tally->wrong($state);

            return ['verdicts' => $many, 'wrong' => self::rounded($wrong)];
        };
        $covered = array_map(
            static fn (array $of): array => ['intervals' => $of['intervals'], 'covered' => round($of['covered'], 1)],
            $tally->coverage(),
        );

        return [
            'verdicts' => $tally->many(),
            'open' => $state(State::Open),
            'short' => $state(State::Short),
            'near' => round($tally->share(State::Near), 1),
            'unknown' => round($tally->share(State::Unknown), 1),
            'chances' => array_map(
                static fn (array $tenth): array => [
                    'stated' => round($tenth['stated'], 1),
                    'happened' => round($tenth['happened'], 1),
                ] + $tenth,
                $tally->reliability(),
            ),
        ] +
            ([] === $covered
                ? []
                : ['intervals' => ['covered' => self::rounded($tally->covered()), 'abilities' => $covered]]);
    }

    private static function rounded(?float $value): ?float
    {
        return null === $value ? null : round($value, 2);
    }
}
