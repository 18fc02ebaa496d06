<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Plan\PlanText;
use LucidAscent\App\Plan\RequestCodec;
use LucidAscent\App\Planning\MakePlan;
use LucidAscent\App\Text\ReasonText;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Plan\ExpectedStep;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlannedWeek;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Weeks of practice out of an assessment, in the JSON shape that the command line prints. */
final readonly class PlanAnswer
{
    public function __construct(
        private PersonDocument $person,
        private Catalogue $catalogue,
        private MakePlan $plans,
        private ReasonText $texts,
    ) {
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
        $plan = $this->plans->plan($poses, $wanted, RequestCodec::read($document, $poses->person->on));

        foreach (['pinned', 'forbidden', 'sequence'] as $name) {
            foreach ($document->ids($name) as $id) {
                if (!isset($poses->postures[$id]) && !isset($this->catalogue->drills()[$id])) {
                    $unread[] = [
                        $name => $id,
                        'code' => 'unknown-pose',
                        'because' => sprintf('There is no pose and no drill "%s".', $id),
                    ];
                }
            }
        }

        return $this->answer($plan) + [
            'expected' => array_map(
                static fn (ExpectedStep $step): array => [
                    'posture' => $step->posture,
                    'side' => $step->side->value,
                    'rung' => $step->rung,
                    'next' => $step->next,
                    'day' => $step->on->format('Y-m-d'),
                ],
                ExpectedStep::all($wanted, $plan->sessions(), $poses),
            ),
            'unread' => $unread,
        ];
    }

    /** @return array<string, mixed> */
    public function answer(Plan $plan): array
    {
        return [
            'weeks' => array_map(
                fn (PlannedWeek $week): array => [
                    'light' => $week->isLight,
                    'note' => null === $week->note ? null : $this->because($week->note),
                    'sessions' => array_map($this->session(...), $week->sessions),
                ],
                $plan->weeks,
            ),
            'leftOut' => $this->reasons($plan->leftOut),
            'dailyNote' => null === $plan->dailyNote() ? null : $this->because($plan->dailyNote()),
            'retests' => array_map(
                static fn (array $retest): array => [
                    'week' => $retest['week'],
                    'day' => $retest['on']->format('Y-m-d'),
                    'tests' => $retest['tests'],
                ],
                $plan->retests,
            ),
        ];
    }

    /**
     * @param array<string, Reason> $reasons by posture
     *
     * @return list<array{posture: string, code: string, because: string}>
     */
    private function reasons(array $reasons): array
    {
        return array_map(
            fn (string $posture, Reason $reason): array => [
                'posture' => $posture,
                'code' => $reason->code,
                'because' => $this->because($reason),
            ],
            array_keys($reasons),
            array_values($reasons),
        );
    }

    /** @return array<string, mixed> */
    private function session(PlannedSession $session): array
    {
        return [
            'day' => (string) array_search((int) $session->on->format('N'), RequestCodec::DAYS, true),
            'date' => $session->on->format('Y-m-d'),
            'minutes' => $session->minutes(),
            'theme' => $session->theme,
            'unused' => null === $session->unused
                    ? null
                    : ['minutes' => $session->unused->minutes, 'because' => $this->because($session->unused->because)],
            'before' => PlanText::measure($session->measure),
            'after' => PlanText::measure($session->measure),
            'note' => $session->isAfterSport ? $this->because(new Reason('plan.sport-day', Source::Trade)) : null,
            'tradesAway' => $this->reasons($session->tradesAway),
            'items' => array_map(
                fn (PlannedItem $item): array => [
                    'kind' => null === $item->drill ? 'posture' : 'drill',
                    'posture' => $item->rung->posture,
                    'rung' => null !== $item->drill
                            ? null
                            : ('' === $item->rung->beside
                                ? $item->rung->rung->id
                                : $item->rung->beside),
                    ...'' === $item->rung->beside ? [] : ['form' => $item->rung->rung->id],
                    ...null === $item->drill ? [] : ['drill' => $item->drill->id],
                    ...$item->isSet ? ['set' => true] : [],
                    'phase' => $item->phase->value,
                    'side' => $item->side->value ?? 'both',
                    'seconds' => $item->seconds,
                    'breaths' => $item->breaths($session->dose),
                    'repetitions' => $item->repetitions($session->dose),
                    'cues' => (null === $item->drill
                            ? $this->catalogue->named($item->rung->posture.'/'.$item->rung->rung->id)
                            : $this->catalogue->entry(Kind::Drill, $item->drill->id))['cues'] ?? [],
                    'props' => $this->props($item),
                    'because' => $this->because($item->because),
                ],
                $session->items,
            ),
        ];
    }

    /** @return list<array<string, mixed>> what is under whom, and how high where it was reckoned */
    private function props(PlannedItem $item): array
    {
        $props = [];
        foreach ($this->catalogue->named($item->rung->posture.'/'.$item->rung->rung->id)['props'] ?? [] as $prop) {
            $props[] = ['what' => $prop['what']] + (isset($prop['rule']) ? ['height' => $item->propHeight] : []);
        }

        return $props;
    }

    private function because(Reason $reason): string
    {
        return $this->texts->text($reason);
    }
}
