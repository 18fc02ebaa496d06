<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Posture\PrerequisiteGraph;
use LucidAscent\Core\Posture\PropRule;

/**
 * What a teacher would miss in a catalogue that is without fault: rungs that say too little, remedies that are none,
 * postures that nobody finds.
 */
final readonly class TeachingGaps
{
    /** What is read aloud is short. */
    public const WORDS_OF_A_CUE = 12;
    /** What nobody says of a stance, and of lying on the front. */
    private const NOT_SAID = [
        'lying' => '/one sitting bone is light|knee over the ankle|both feet planted/i',
        'seated' => '/roll to one side|lie on the (?:back|front)/i',
        'bearing' => '/one sitting bone is light|roll to one side/i',
    ];
    private const NOTHING = '/(?!)/';
    /** A shin that lies turned out under weight takes its twist in the ankle and the knee, unless the foot holds it. */
    private const FOOT_SAID = '/flexed|ankle|foot strong/i';
    private const NOT_PRONE = '/both feet to the floor|on the back\b|sitting bone/i';

    /**
     * @param array<string, array<string, array<string, mixed>>> $entries by kind and id
     * @param callable(string, string, string): Fault $fault of a posture: its id, the place in it, what is missing
     *
     * @return list<Fault>
     */
    public static function of(array $entries, callable $fault, PrerequisiteGraph $graph): array
    {
        $gaps = [];
        $postures = $entries[Kind::Posture->value];
        $places = array_merge(...array_column($entries[Kind::Feeling->value] ?? [], 'items'));
        $never = array_keys(array_column($places, 'warns', 'id'));
        foreach ($postures as $id => $posture) {
            foreach (['level', 'purposes', 'sides'] as $said) {
                if (!isset($posture[$said])) {
                    $gaps[] = $fault($id, 'id', "says nothing of its $said.");
                }
            }
            foreach (Shapes::of($posture) as $at => $rung) {
                $missing = self::ofRung($rung) + self::ofStance($posture, $rung) + self::ofWays($posture, $rung);
                foreach ($missing as $place => $message) {
                    $gaps[] = $fault($id, "$at/$place", $message);
                }
                foreach (array_intersect($rung['felt'] ?? [], $never) as $place) {
                    $gaps[] = $fault($id, "$at/felt", "is to be felt at \"$place\", which is never right.");
                }
            }
        }
        $found = self::found($postures, $graph);
        foreach (array_keys($postures) as $id) {
            if (!isset($found[$id])) {
                $gaps[] = $fault($id, 'id', 'is wanted by nobody, and no route, plan or remedy leads to it.');
            }
        }
        $remedied = array_merge(
            ...array_values(
                array_map(static fn (array $entry): array => $entry['remedies'] ?? [], [
                    ...$postures,
                    ...$entries[Kind::Drill->value],
                ]),
            ),
        );
        foreach (array_diff(Remedy::names(), $remedied) as $without) {
            $gaps[] = new Fault('postures', 1, 'remedies', "has nothing to offer for $without.");
        }

        return $gaps;
    }

    /**
     * @param array<string, mixed> $rung
     *
     * @return array<string, string> what is missing, by its place
     */
    private static function ofRung(array $rung): array
    {
        $gaps = [];
        if (count($rung['cues'] ?? []) < 2) {
            $gaps['cues'] = 'has fewer than two cues.';
        }
        foreach ($rung['cues'] ?? [] as $cue) {
            if (count(preg_split('/\s+/', trim($cue)) ?: []) > self::WORDS_OF_A_CUE) {
                $gaps['cues'] = sprintf('has a cue of more than %d words: "%s".', self::WORDS_OF_A_CUE, $cue);
            }
        }
        $isLaden = [] === array_diff([Load::TurnOut->value, Load::WeightOnKnee->value], $rung['loads'] ?? []);
        if ($isLaden && 1 !== preg_match(self::FOOT_SAID, implode("\n", $rung['cues'] ?? []))) {
            $gaps['cues'] = 'has a turned-out shin under weight, and says not what its foot does.';
        }
        // Only asking tells how a neck is, and it is too late once the weight is on it.
        $isAsked = 1 === preg_match('/\bneck\b/i', $rung['position'][0] ?? '');
        if (in_array(Load::Neck->value, $rung['loads'] ?? [], true) && !$isAsked) {
            $gaps['position'] = 'loads the neck, and does not begin with asking about it.';
        }
        foreach (
            [
                'felt' => 'says not where it is felt.',
                'fault' => 'names no fault as a pair.',
                'view' => 'says not from where it is seen best.',
                'loads' => 'says not what it loads.',
                'way_out' => 'has no way out.',
            ] as $place => $message
        ) {
            if ([] === ($rung[$place] ?? [])) {
                $gaps[$place] = $message;
            }
        }
        foreach ($rung['props'] as $i => $prop) {
            $gaps += self::ofProp($rung, $prop, "props/$i");
        }
        foreach (['knee_safe', 'lying'] as $instead) {
            if (!isset($rung[$instead]['rung'])) {
                $gaps[$instead] = 'names no rung to go to instead.';
            }
        }

        return $gaps;
    }

    /**
     * How one gets into what loads, where the arms go, and the other leg of what is done on one side.
     *
     * @param array<string, mixed> $posture
     * @param array<string, mixed> $rung
     *
     * @return array<string, string> what is missing, by its place
     */
    private static function ofWays(array $posture, array $rung): array
    {
        if (true === ($rung['gentle'] ?? false)) {
            return [];
        }
        $isBoth = 'both' === ($rung['sides'] ?? ($posture['sides'] ?? ''));

        return array_diff_key(
            [
                'ways_in' => 'says not how one gets into it.',
                'arms' => 'says not where the arms go.',
            ] + ($isBoth ? [] : ['other_leg_place' => 'says not where the other leg goes.']),
            $rung,
        );
    }

    /**
     * Words that belong to another stance than the rung's.
     *
     * @param array<string, mixed> $posture
     * @param array<string, mixed> $rung
     *
     * @return array<string, string> what is wrong, by its place
     */
    private static function ofStance(array $posture, array $rung): array
    {
        $stance = $rung['stance'] ?? ($posture['stance'] ?? '');
        $isProne = in_array(Load::Prone->value, $rung['loads'] ?? [], true);
        $not = $isProne ? self::NOT_PRONE : self::NOT_SAID[$stance] ?? self::NOTHING;
        $gaps = [];
        if (isset($posture['stance']) && $stance !== $posture['stance']) {
            $isInherited = ($rung['way_out'] ?? null) === ($posture['defaults']['way_out'] ?? '');
            $gaps += $isInherited ? ['way_out' => 'is the way out of another stance.'] : [];
        }
        foreach (['position', 'cues', 'fault', 'check', 'compensations', 'way_out'] as $place) {
            $said = (string) json_encode($rung[$place] ?? '', JSON_UNESCAPED_UNICODE);
            if (1 === preg_match($not, $said, $found)) {
                $gaps[$place] = sprintf('says "%s", which is of another stance.', $found[0]);
            }
        }

        return $gaps;
    }

    /**
     * A height that somebody wrote down, or left to the eye, where this person's own readings tell it.
     *
     * @param array<string, mixed> $rung
     * @param array<string, mixed> $prop
     *
     * @return array<string, string> what is missing, by its place
     */
    private static function ofProp(array $rung, array $prop, string $place): array
    {
        if (!isset($prop['at'])) {
            return ["$place/at" => 'says not where the prop lies.'];
        }
        $values = $rung['demand']['values'] ?? [];
        if (in_array($prop['at'], ['between-hands', 'hand-to-foot'], true) && !isset($rung['reach'])) {
            return [$place => 'has a strap, and says not what reaches for what.'];
        }
        $found = match ($prop['at']) {
            'knee', 'knees' => isset($values['kneeHeight']) ? [PropRule::KneeBlock, PropRule::KneeGap] : [],
            'hip' => isset($values['hipHeight']) ? [PropRule::HipGap] : [],
            'between-hands' => in_array(
                Ability::ShoulderReach->value,
                array_column($rung['demand']['thresholds'] ?? [], 'component'),
                true,
            )
                ? [PropRule::HandsGap]
                : [],
            'hand-to-foot' => 'overhead' === ($rung['reach']['kind'] ?? '') ? [PropRule::FootStrap] : [],
            default => [],
        };

        return [] === $found || in_array(PropRule::tryFrom($prop['rule'] ?? ''), $found, true)
            ? []
            : [
                $place => sprintf(
                    'leaves a height to the eye that the rule %s would find.',
                    implode(' or ', array_map(static fn (PropRule $rule): string => $rule->value, $found)),
                ),
            ];
    }

    /**
     * @param array<string, array<string, mixed>> $postures
     *
     * @return array<string, true> the postures that something leads to
     */
    private static function found(array $postures, PrerequisiteGraph $graph): array
    {
        $found = [];
        foreach ($postures as $id => $posture) {
            if (true === $posture['target']) {
                $found += array_fill_keys([$id, ...$graph->prerequisites($id)], true);
            }
            if (isset($posture['remedies']) || isset($posture['warm_up']) || isset($posture['rest'])) {
                $found[$id] = true;
            }
            foreach (Shapes::of($posture) as $rung) {
                $named = [
                    ...$rung['counter'],
                    ...array_map(
                        static fn (string $instead): string => explode('/', $rung[$instead]['rung'] ?? '')[0],
                        ['knee_safe', 'lying'],
                    ),
                ];
                $found += array_fill_keys(array_diff($named, [$id]), true);
            }
        }

        return $found;
    }
}
