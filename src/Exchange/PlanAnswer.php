<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Twig\ReasonExtension;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\Measure;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\Planner;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Weeks of practice out of an assessment, in the JSON shape that the command line prints. */
final readonly class PlanAnswer
{
    private const DAYS = ['mon' => 1, 'tue' => 2, 'wed' => 3, 'thu' => 4, 'fri' => 5, 'sat' => 6, 'sun' => 7];

    public function __construct(private PersonDocument $person, private Catalogue $catalogue, private ReasonExtension $texts)
    {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidValue when there are no weeks, days or minutes, or the person cannot be read
     */
    public function of(Fields $document): array
    {
        $read = $this->person->read($document);
        [$poses, $wanted, $unread] = [$read->poses, $read->wanted, $read->unread];
        $plan = $this->plan($poses, $wanted, self::request($document, $poses->person->on), $document->has('school') ? $document->text('school') : null, self::schools($document));

        foreach (['pinned', 'forbidden', 'sequence'] as $name) {
            foreach (PersonDocument::ids($document, $name) as $id) {
                if (!isset($poses->postures[$id]) && !isset($this->catalogue->drills()[$id])) {
                    $unread[] = [$name => $id, 'code' => 'unknown-pose', 'because' => sprintf('There is no pose and no drill "%s".', $id)];
                }
            }
        }

        return $this->answer($plan, $poses) + ['unread' => $unread];
    }

    /**
     * @param list<string> $wanted
     * @param array<string, string> $schools another school on some days: {"tue": "long-still"}
     */
    public function plan(ReadPoses $poses, array $wanted, PlanRequest $request, ?string $school, array $schools = []): Plan
    {
        $doses = [];
        foreach ($schools as $day => $other) {
            $doses[self::DAYS[$day]] = $this->catalogue->dose($other);
        }

        return (new Planner($poses, $this->catalogue->practice(), $this->catalogue->dose($school), $doses, $this->catalogue->drills()))->plan($wanted, $request);
    }

    /** @return array<string, mixed> */
    public function answer(Plan $plan, ReadPoses $poses): array
    {
        return [
            'weeks' => array_map(fn (array $week): array => [
                'light' => $week['light'],
                'sessions' => array_map(fn (PlannedSession $session): array => $this->session($session, $poses), $week['sessions']),
            ], $plan->weeks),
            'leftOut' => $this->reasons($plan->leftOut),
            'dailyNote' => [] === array_filter($plan->weeks, static fn (array $week): bool => [] !== array_filter($week['sessions'], static fn (PlannedSession $session): bool => [] !== $session->items)) ? null : $this->because(new Reason('plan.daily-note', Source::Trade)),
            'retests' => array_map(static fn (array $retest): array => ['week' => $retest['week'], 'day' => $retest['on']->format('Y-m-d'), 'tests' => $retest['tests']], $plan->retests),
        ];
    }

    /**
     * @param array<string, Reason> $reasons by posture
     *
     * @return list<array{posture: string, code: string, because: string}>
     */
    private function reasons(array $reasons): array
    {
        return array_map(fn (string $posture, Reason $reason): array => ['posture' => $posture, 'code' => $reason->code, 'because' => $this->because($reason)], array_keys($reasons), array_values($reasons));
    }

    /** @return array<string, string>|null the number to read, of which test, on which side */
    private static function measure(?Measure $measure): ?array
    {
        $number = null === $measure ? null : array_key_first($measure->test->measured);

        return null === $number ? null : ['test' => $measure->test->id, 'name' => $measure->test->name, 'side' => $measure->side->value, 'number' => $number, 'unit' => $measure->test->measured[$number]];
    }

    /** @return array<string, mixed> */
    private function session(PlannedSession $session, ReadPoses $poses): array
    {
        return [
            'day' => (string) array_search((int) $session->on->format('N'), self::DAYS, true),
            'date' => $session->on->format('Y-m-d'),
            'minutes' => $session->minutes(),
            'theme' => $session->theme,
            'unused' => null === $session->unused ? null : ['minutes' => $session->unused->minutes, 'because' => $this->because($session->unused->because)],
            'before' => self::measure($session->measure),
            'after' => self::measure($session->measure),
            'note' => $session->isAfterSport ? $this->because(new Reason('plan.sport-day', Source::Trade)) : null,
            'tradesAway' => $this->reasons($session->tradesAway),
            'items' => array_map(fn (PlannedItem $item): array => [
                'kind' => null === $item->drill ? 'posture' : 'drill',
                'posture' => $item->rung->posture,
                'rung' => null !== $item->drill ? null : ('' === $item->rung->beside ? $item->rung->rung->id : $item->rung->beside),
                ...('' === $item->rung->beside ? [] : ['form' => $item->rung->rung->id]),
                ...(null === $item->drill ? [] : ['drill' => $item->drill->id]),
                ...($item->isSet ? ['set' => true] : []),
                'phase' => $item->phase->value,
                'side' => $item->side->value ?? 'both',
                'seconds' => $item->seconds,
                'breaths' => $item->breaths($session->dose),
                'repetitions' => $item->repetitions($session->dose),
                'cues' => (null === $item->drill ? $this->catalogue->named($item->rung->posture.'/'.$item->rung->rung->id) : $this->catalogue->entry(Kind::Drill, $item->drill->id))['cues'] ?? [],
                'props' => $this->props($item, $poses),
                'because' => $this->because($item->because),
            ], $session->items),
        ];
    }

    /** @return list<array<string, mixed>> what is under whom, and how high where it was reckoned */
    private function props(PlannedItem $item, ReadPoses $poses): array
    {
        $props = [];
        foreach ($this->catalogue->named($item->rung->posture.'/'.$item->rung->rung->id)['props'] ?? [] as $prop) {
            $props[] = ['what' => $prop['what']] + (isset($prop['rule']) ? ['height' => self::height($item, $poses)] : []);
        }

        return $props;
    }

    /** For the side that it is for; where it is for both, for the one that needs more. */
    private static function height(PlannedItem $item, ReadPoses $poses): ?float
    {
        $heights = [];
        foreach (null === $item->side ? Side::cases() : [$item->side] as $side) {
            $rung = $poses->of($item->rung->posture, $side)->rung($item->rung->rung->id);
            $heights[] = null === $rung ? null : PropHeights::of($rung, $poses->person, $side);
        }

        return max($heights);
    }

    private function because(Reason $reason): string
    {
        return $this->texts->text($reason);
    }

    /** @throws InvalidValue */
    public static function request(Fields $document, \DateTimeImmutable $from): PlanRequest
    {
        $props = $document->has('props') ? $document->object('props') : null;

        return new PlanRequest(
            $from,
            (int) self::whole('weeks', $document->number('weeks')),
            self::days('days', $document->list('days')),
            (int) self::whole('minutes', $document->number('minutes')),
            $document->has('equipment') ? self::pieces(array_map(static fn (mixed $piece): string => is_string($piece) ? $piece : (string) json_encode($piece), $document->list('equipment'))) : new Equipment(
                (int) self::whole('props.blocks', $props?->number('blocks', 0.0) ?? 0.0),
                (int) self::whole('props.blankets', $props?->number('blankets', 0.0) ?? 0.0),
                $props?->flag('strap') ?? false,
                array_values(array_filter(Equipment::THERE_OR_NOT, static fn (string $kind): bool => true === $props?->has($kind) && !$props->flag($kind))),
            ),
            PersonDocument::ids($document, 'pinned'),
            PersonDocument::ids($document, 'forbidden'),
            $document->has('sportDays') ? self::days('sportDays', $document->list('sportDays')) : [],
            PersonDocument::ids($document, 'sequence'),
        );
    }

    /**
     * @param list<mixed> $names
     *
     * @return list<int> in their order, 1 for Monday
     *
     * @throws InvalidValue when one is none
     */
    private static function days(string $field, array $names): array
    {
        $days = array_map(static fn (mixed $day): int => self::DAYS[is_string($day) ? strtolower($day) : ''] ?? throw InvalidValue::because($field, 'are mon, tue, wed, thu, fri, sat or sun.'), $names);
        sort($days);

        return array_values(array_unique($days));
    }

    /**
     * @param list<string> $pieces one name for each piece that is there
     *
     * @throws InvalidValue when there is no such thing
     */
    private static function pieces(array $pieces): Equipment
    {
        $unknown = array_diff($pieces, ['block', 'blanket', 'strap', ...Equipment::THERE_OR_NOT]);
        [] === $unknown || throw InvalidValue::because('equipment', sprintf('has no "%s": it is block, blanket, strap, %s.', current($unknown), implode(', ', Equipment::THERE_OR_NOT)));
        $many = array_count_values($pieces);

        return new Equipment($many['block'] ?? 0, $many['blanket'] ?? 0, isset($many['strap']), array_values(array_diff(Equipment::THERE_OR_NOT, $pieces)));
    }

    /**
     * @return array<string, string> {"tue": "long-still"}
     *
     * @throws InvalidValue when a day is none
     */
    public static function schools(Fields $document): array
    {
        $name = $document->has('schoolByDay') ? 'schoolByDay' : 'schools';
        if (!$document->has($name)) {
            return [];
        }
        $schools = [];
        $asked = $document->object($name);
        foreach ($asked->names() as $day) {
            isset(self::DAYS[$day]) || throw InvalidValue::because($name, 'are by day: mon, tue, wed, thu, fri, sat or sun.');
            $schools[$day] = $asked->text($day);
        }

        return $schools;
    }

    /** @throws InvalidValue when it is a part of one */
    private static function whole(string $name, float $number): float
    {
        return floor($number) === $number ? $number : throw InvalidValue::because($name, 'must be a whole number.');
    }
}
