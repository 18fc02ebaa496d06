<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Safety;

/**
 * What is held, said once more and on its own: over plain arrays, with nothing of the product in it. Days are
 * numbers. An entry is entered "at" a day and speaks of a day "on".
 */
final class Statement
{
    private const KNEES = ['knee', 'inner-knee', 'outer-knee'];
    private const MIDDLE = ['low-back', 'tailbone', 'neck'];
    private const MILD = ['stretch', 'ache'];
    private const LISTED = ['knee', 'inner-knee', 'outer-knee', 'low-back', 'tailbone', 'neck', 'groin', 'outer-hip',
        'inner-thigh', 'hamstring', 'sitting-bone', 'shoulder', 'wrist', 'ankle', 'elsewhere'];

    /**
     * @param list<array<string, mixed>> $history
     * @param string $shape turn, fold, backbend, head-back, leg raise, child, or rest: lying with straight legs
     */
    public static function isHeld(array $history, int $now, string $shape, string $side): bool
    {
        foreach ($history as $entry) {
            if ($entry['at'] <= $now && !self::isSlip($entry, $history, $now)
                && self::covers($entry, $now, $shape, $side) && !self::isLifted($entry, $history, $now, $shape)) {
                return true;
            }
        }

        return false;
    }

    /** @param array<string, mixed> $e */
    private static function covers(array $e, int $now, string $shape, string $side): bool
    {
        $onSide = null === $e['side'] || $e['side'] === $side;
        switch ($e['type']) {
            case 'stop':
                return null === $e['side'] ? 'rest' !== $shape : $onSide;
            case 'condition':
                return match ($e['what']) {
                    'operated' => $onSide,
                    'replaced' => $onSide && 'rest' !== $shape,
                    'osteoporosis' => $onSide && 'fold' === $shape,
                    'nobody knows' => $onSide && !in_array($shape, ['rest', 'child'], true),
                    'sore today' => $onSide && $e['on'] >= $now && !in_array($shape, ['rest', 'child'], true),
                    default => false,
                };
            case 'pain':
                return match (self::reach($e)) {
                    'side' => $onSide,
                    'person' => 'rest' !== $shape,
                    'folds' => in_array($shape, ['fold', 'backbend'], true),
                    'neck' => 'head-back' === $shape,
                    'hamstring' => $onSide && 'leg raise' === $shape,
                    default => false,
                };
        }

        return false;
    }

    /** @param array<string, mixed> $e */
    private static function reach(array $e): string
    {
        if (0 === $e['level'] && 'lasting-numbness' !== $e['kind']) {
            return 'nothing';
        }
        if (in_array($e['place'], self::KNEES, true)) {
            return 'side';
        }
        $isListed = in_array($e['place'], self::LISTED, true);
        if (!$isListed || !in_array($e['kind'], self::MILD, true) || $e['level'] >= 5) {
            return in_array($e['place'], self::MIDDLE, true) || null === $e['side'] ? 'person' : 'side';
        }

        return match (true) {
            'low-back' === $e['place'] && 'a turn' !== $e['during'] => 'folds',
            'neck' === $e['place'] => 'neck',
            'sitting-bone' === $e['place'] => 'hamstring',
            default => 'nothing',
        };
    }

    /**
     * @param array<string, mixed> $entry
     * @param list<array<string, mixed>> $history
     */
    private static function isLifted(array $entry, array $history, int $now, string $shape): bool
    {
        $last = -1;
        $isLifted = false;
        foreach ($history as $word) {
            $isAbout = 'word' === $word['type'] && $word['at'] <= $now && $word['on'] <= $now
                && in_array($entry['id'], $word['names'], true) && !self::isSlip($word, $history, $now);
            $isGood = $isAbout && ('nothing' === $word['allows'] || ($word['at'] >= $entry['at']
                && $word['on'] >= $entry['on'] && self::may($word, $entry, $history, $now)));
            if (!$isGood || $word['at'] < $last) {
                continue;
            }
            // The newest word is the one that stands; of two at once the narrower.
            $allows = self::allows($word['allows'], $shape, $entry);
            $isLifted = $word['at'] > $last ? $allows : $isLifted && $allows;
            $last = $word['at'];
        }

        return $isLifted;
    }

    /** @param array<string, mixed> $entry */
    private static function allows(string $words, string $shape, array $entry): bool
    {
        // What holds folds, a neck or a hamstring by name is no knee: how far that bends lifts nothing of it.
        $isByName = 'osteoporosis' === ($entry['what'] ?? '')
            || ('pain' === $entry['type'] && in_array(self::reach($entry), ['folds', 'neck', 'hamstring'], true));
        if ('knee to 100' === $words && $isByName) {
            return false;
        }

        return match ($words) {
            'gentle' => in_array($shape, ['child', 'rest'], true),
            'no turning' => 'turn' !== $shape,
            // Nobody has said how far a knee bends in these two: no further than a load begins is not known.
            'knee to 100' => !in_array($shape, ['turn', 'head-back', 'child'], true),
            'nothing' => false,
            default => true,
        };
    }

    /**
     * @param array<string, mixed> $word
     * @param array<string, mixed> $e
     * @param list<array<string, mixed>> $history
     */
    private static function may(array $word, array $e, array $history, int $now): bool
    {
        if ('condition' === $e['type']) {
            return 'sore today' !== $e['what'] && 'clinician' === $word['who'];
        }
        if ('clinician' === $word['who']) {
            return true;
        }
        $teachers = 'stop' === $e['type']
            ? $e['painless'] && $word['by'] === $e['by']
            : in_array($e['kind'], self::MILD, true) && in_array($e['place'], self::LISTED, true) && (
                in_array($e['place'], [...self::KNEES, 'low-back', 'neck'], true) ? $e['level'] <= 2
                    : ('sitting-bone' === $e['place'] || $e['level'] >= 5) && !in_array($e['place'], self::MIDDLE, true)
            );
        foreach ($history as $other) {
            $places = [$other['place'] ?? null, $e['place'] ?? null];
            $isSame = $other['at'] <= $now && $other['type'] === $e['type']
                && (null === $other['side'] || null === $e['side'] || $other['side'] === $e['side'])
                && ($places[0] === $places[1] || [] === array_diff($places, self::KNEES))
                && ('stop' === $e['type'] || 'nothing' !== self::reach($other))
                    && !self::isSlip($other, $history, $now);
            if ($isSame && $other['on'] < $e['on'] && $other['on'] >= $e['on'] - 31) {
                return false;
            }
        }

        return $teachers && $word['asked'] && $word['on'] >= $e['on'] + 2;
    }

    /**
     * @param array<string, mixed> $entry
     * @param list<array<string, mixed>> $history
     */
    private static function isSlip(array $entry, array $history, int $now): bool
    {
        foreach ($history as $slip) {
            if ('slip' === $slip['type'] && $slip['at'] <= $now && $slip['names'] === $entry['id'] && $slip['by']
                === $entry['by'] && '' !== $slip['why'] && in_array($slip['at'] - $entry['at'], [0, 1], true)) {
                return true;
            }
        }

        return false;
    }
}
