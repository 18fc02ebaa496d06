<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Exchange\Record\RecordCodec;
use LucidAscent\App\Exchange\Record\RecordKinds;
use LucidAscent\App\Json\AllowanceFields;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Readiness\Rules;
use Random\Randomizer;
use Symfony\Component\Uid\Uuid;

/**
 * What happened to somebody in two months, drawn by a number: tests, some of them corrected, walks, sessions, pain of
 * every kind, conditions told once and again, stops, words that lift some of it and slips; as records, as a record
 * file, and as the document of a command. No two things are of one day, for a document knows days alone.
 */
final class DrawnHistory
{
    private const DAYS = 60;
    private const TARGETS = ['half-lotus', 'lotus', 'pigeon', 'cow-face', 'leg-behind-head', 'shins-stacked',
        'standing-bind', 'soles-together', 'easy-cross-leg', 'figure-four', 'seated-hamstring', 'deep-pigeon'];
    private const TESTS = [
        'soles-together' => ['heelDistance' => [14, 30], 'kneeHeight' => [6, 18]],
        'shins-stacked' => ['ankleHeight' => [10, 10], 'kneeHeight' => [10, 34]],
        'frog' => ['span' => [62, 96]],
        'knee-hug' => ['angle' => [105, 140]],
        'leg-raise' => ['angle' => [50, 100]],
        'heel-to-seat' => ['gap' => [6, 22]],
        'inward-turn' => ['angle' => [20, 45]],
    ];
    private const CONDITIONS = ['knee-surgery', 'high-blood-pressure', 'osteoporosis', 'hip-replacement', 'other',
        'hypermobility'];
    private const LOADS = ['twist', 'neck', 'turn-out', 'loaded-fold'];
    private const PAINS = [[2, 'outer-hip', 'stretch'], [2, 'outer-hip', 'ache'], [4, 'outer-hip', 'ache'],
        [6, 'groin', 'ache'], [1, 'knee', 'ache'], [0, 'outer-hip', 'lasting-numbness'], [3, 'low-back', 'ache'],
        [2, 'sitting-bone', 'ache'], [2, 'groin', 'sharp']];

    /** @var list<string> */
    public readonly array $wanted;
    /** @var list<int> days ago that nothing has happened on yet, the longest ago first */
    private array $days;
    /** @var list<object> */
    private array $records = [];
    /** @var list<array{int, string, array<string, mixed>}> days ago, part of the document, what it says */
    private array $parts = [];
    /** @var list<array{string, int}> names and days ago of what may hold */
    private array $holding = [];
    /**
     * @var list<array{int, int, array<string, mixed>, array<string, mixed>}> days ago of a test and of its correction,
     *     and what each says
     */
    private array $corrected = [];

    public function __construct(
        private readonly Practitioner $of,
        private readonly Catalogue $catalogue,
        private readonly Randomizer $random,
        private readonly \DateTimeImmutable $today,
    ) {
        $this->days = range(self::DAYS, 1);
        $this->wanted = $random->pickArrayKeys(array_flip(self::TARGETS), 2);
        $this->records[] = new BodyMeasures($this->id(), $of, $of->teacher, $this->at(self::DAYS + 5), 168.0, [], []);
        $this->assessed(self::DAYS + 4, []);
        foreach (array_keys(self::TESTS) as $kind) {
            foreach (Side::cases() as $side) {
                $this->chance(65) ? $this->test($kind, $side) : null;
            }
        }
        for ($i = $random->getInt(0, 3); $i > 0; --$i) {
            $this->walk();
        }
        $this->chance(50) ? $this->sessions() : null;
        $this->chance(30) ? $this->pain() : null;
        $this->chance(35) ? $this->conditions() : null;
        $this->chance(60) ? $this->word() : null;
        $this->chance(15) ? $this->slip() : null;
    }

    /** @return list<object> */
    public function records(): array
    {
        return $this->records;
    }

    /** @return array<class-string, list<object>> by kind */
    public function byKind(): array
    {
        $by = [];
        foreach ($this->records as $record) {
            $by[$record::class][] = $record;
        }

        return $by;
    }

    /** @return array<string, mixed> as a record file has it */
    public function recordFile(): array
    {
        $utc = static fn (\DateTimeImmutable $moment): string => $moment->setTimezone(new \DateTimeZone('UTC'))
            ->format('Y-m-d\TH:i:s.u\Z');
        $teacher = $this->of->teacher;
        $by = $this->byKind();
        $lists = array_map(static fn (string $class): array => array_map(RecordCodec::write(...), $by[$class] ?? []),
            RecordKinds::CLASSES);

        return [
            'format' => RecordKinds::FORMAT,
            'version' => RecordKinds::VERSION,
            'exportedAt' => $utc($this->today),
            'heldBy' => ['id' => (string) $teacher->id, 'name' => $teacher->name, 'timeZone' => null,
                'toolErrors' => null],
            'person' => ['id' => (string) $this->of->id, 'name' => $this->of->name,
                'consentedAt' => $utc($this->of->consentedAt), 'createdAt' => $utc($this->of->createdAt)],
            'writtenBy' => [['id' => (string) $teacher->id, 'name' => $teacher->name]],
            ...$lists,
        ];
    }

    /** @return array<string, mixed> as a command takes it, as of some days ago */
    public function document(int $ago = 0): array
    {
        $document = ['on' => $this->day($ago), 'body' => ['stature' => 168], 'wanted' => $this->wanted, 'tests' => [],
            'seen' => [], 'sessions' => [], 'events' => []];
        $parts = $this->parts;
        foreach ($this->corrected as [$first, $later, $one, $other]) {
            $parts[] = [$first, 'tests', $later >= $ago ? $other : $one];
        }
        foreach ($parts as [$day, $part, $says]) {
            if ($day >= $ago) {
                $document[$part][] = $says;
            }
        }

        return $document;
    }

    /**
     * @return array{string, string, Side, list<array<string, mixed>>}|null the ladder, rung and side that were
     *     practised, with the sessions as a command takes them
     */
    public function practised(): ?array
    {
        $checks = $this->byKind()[RungCheck::class] ?? [];
        $last = $checks[count($checks) - 1] ?? null;
        if (!$last instanceof RungCheck) {
            return null;
        }
        $sessions = array_values(array_filter($this->parts, static fn (array $part): bool => 'sessions' === $part[1]));

        return [$last->ladder, $last->rung, $last->side,
            array_map(static fn (array $part): array => $part[2]['items'][0] + ['on' => $part[2]['on'],
                'id' => $part[2]['id'], 'soreAtNight' => $part[2]['soreAtNight']], $sessions)];
    }

    /**
     * @return list<array<string, mixed>> all that may hold but what the sessions say, as events of a document that has
     *     no tests and no walks
     */
    public function events(): array
    {
        $document = $this->document();
        $events = $document['events'];
        foreach (['tests', 'seen'] as $part) {
            foreach ($document[$part] as $says) {
                if (($says['pain']['kind'] ?? '') !== '') {
                    $events[] = ['event' => 'pain',
                        'by' => (string) $this->of->teacher->id] + array_intersect_key($says,
                            array_flip(['id', 'on', 'side', 'pain', 'posture', 'rung']));
                }
            }
        }

        return $events;
    }

    public function lastCheck(): ?RungCheck
    {
        $checks = $this->byKind()[RungCheck::class] ?? [];
        $last = $checks[count($checks) - 1] ?? null;

        return $last instanceof RungCheck ? $last : null;
    }

    private function test(string $kind, Side $side): void
    {
        $ago = $this->someDay();
        $isCorrected = $this->chance(12);
        $pain = $isCorrected ? Pain::none() : $this->hurts(20);
        $compensations = $this->chance(8) ? array_slice($this->catalogue->tests()[$kind]->compensations, 0, 1) : [];
        $written = function (int $at, ?Uuid $corrects) use ($kind, $side, $pain, $compensations): array {
            $trial = array_map(fn (array $range): float => (float) $this->random->getInt($range[0], $range[1]),
                self::TESTS[$kind]);
            $tool = isset($trial['angle']) ? 'inclinometer' : 'tape';
            $test = new Test($this->id(), $this->id(), $this->of, $this->of->teacher, $kind, $side, $this->at($at),
                $tool, 0.0, $pain->level, $pain->place, $pain->kind, $compensations, Rules::VERSION, $corrects);
            $test->add($trial);
            $this->records[] = $test;

            return [$test, ['id' => "test:$test->id", 'test' => $kind, 'side' => $side->value, 'tool' => $tool,
                'trials' => [$trial], 'compensations' => $compensations, 'pain' => self::said($pain)]];
        };
        [$test, $says] = $written($ago, null);
        if (!$isCorrected || !$this->hasDay($ago)) {
            $this->part($ago, 'tests', $says, $pain);

            return;
        }
        $later = $this->someDay($ago);
        [, $again] = $written($later, $test->entryId);
        $on = $this->day($ago);
        $this->corrected[] = [$ago, $later, ['on' => $on] + $says, ['on' => $on] + $again];
    }

    private function walk(): void
    {
        $ago = $this->someDay();
        [$posture, $rung] = $this->rung();
        $side = $this->side();
        $pain = $this->hurts(30);
        $isClean = $this->chance(60);
        $seen = new SeenRung($this->id(), $this->of, $this->of->teacher, $this->at($ago), $posture, $rung, $side,
            $isClean, [], false, '', $pain->level, $pain->place, $pain->kind);
        $this->records[] = $seen;
        $this->part($ago, 'seen', ['id' => "seen:$seen->id", 'posture' => $posture, 'rung' => $rung,
            'side' => $side->value, 'clean' => $isClean, 'pain' => self::said($pain)], $pain);
    }

    private function sessions(): void
    {
        [$posture, $any] = $this->rung();
        $rung = $this->catalogue->postures()[$posture]->rungs[$this->random->getInt(0, 1)]->id ?? $any;
        $side = $this->side();
        $days = [];
        for ($i = $this->random->getInt(1, 6); $i > 0; --$i) {
            $days[] = $this->someDay();
        }
        rsort($days);
        foreach ($days as $i => $ago) {
            $pain = $this->hurts(20);
            [$isHeld, $isSore] = [$this->chance(85), $this->chance(8)];
            $check = new RungCheck($this->id(), $this->of, $this->of->teacher, $posture, $side, $rung,
                new \DateTimeImmutable($this->day($ago), new \DateTimeZone('UTC')), $this->at($ago), null, $isHeld,
                true, $pain->level, $pain->place, $pain->kind, [], $isSore, '');
            $this->records[] = $check;
            $felt = $this->chance(50) ? $this->felt($check, $ago) : [];
            $this->part($ago, 'sessions', ['id' => "check:$check->id", 'soreAtNight' => $isSore,
                'items' => [['posture' => $posture, 'rung' => $rung, 'side' => $side->value, 'holdReached' => $isHeld,
                    'evenBreath' => true, 'pain' => self::said($pain)] + $felt]], $pain);
            if (count($days) - 1 === $i && $this->hasDay($ago) && $this->chance(15)) {
                $this->stop($check, $this->someDay($ago));
            }
        }
    }

    /** @return array<string, mixed> where it was felt, as a document has it: nothing of it is pain */
    private function felt(RungCheck $check, int $ago): array
    {
        $place = ['outer-seat', 'low-back', 'low-back', 'nothing'][$this->random->getInt(0, 3)];
        $this->records[] = new FeltInRung($this->id(), $this->of, $this->of->teacher, $this->at($ago),
            $check->practisedOn, $check->ladder, $check->rung, $check->side, $place, PainKind::Stretch, 'check');

        return ['felt' => ['place' => $place, 'kind' => 'stretch']];
    }

    private function stop(RungCheck $check, int $ago): void
    {
        $by = (string) $this->of->teacher->id;
        $isPainless = !$check->check()->pain->isFelt();
        $decision = new Decision($this->id(), $check, $this->of, $this->of->teacher, $check->ladder, $check->side,
            $this->at($ago), Step::Stay, Step::Stop, [], [], $check->rung, 'To be sure.', Rules::VERSION);
        $this->records[] = $decision;
        $this->parts[] = [$ago, 'events', ['event' => 'stop', 'id' => "decision:$decision->id",
            'on' => $this->day($ago), 'side' => $check->side->value, 'painless' => $isPainless,
            'posture' => $check->ladder, 'rung' => $check->rung, 'by' => $by]];
        $this->holding[] = ["decision:$decision->id", $ago];
    }

    private function pain(): void
    {
        $ago = $this->someDay();
        $side = $this->chance(80) ? $this->side() : null;
        $pain = $this->hurts(100);
        $said = new PainSaid($this->id(), $this->of, $this->of->teacher, $this->at($ago),
            new \DateTimeImmutable($this->day($ago), new \DateTimeZone('UTC')), $side, $pain->level, $pain->place,
            $pain->kind, 'log');
        $this->records[] = $said;
        $this->parts[] = [$ago, 'events', ['event' => 'pain', 'id' => "pain:$said->id", 'on' => $this->day($ago),
            'by' => (string) $this->of->teacher->id, 'pain' => self::said($pain)] + (null === $side ? []
            : ['side' => $side->value])];
        $this->holding[] = ["pain:$said->id", $ago];
    }

    /**
     * Told once, or once more: of a condition in free words with more that it touches, or without anybody's saying
     * what.
     */
    private function conditions(): void
    {
        $id = self::CONDITIONS[$this->random->getInt(0, count(self::CONDITIONS) - 1)];
        $side = 'knee-surgery' === $id && $this->chance(50) ? $this->side() : null;
        for ($i = $this->random->getInt(1, 2); $i > 0; --$i) {
            $loads = 'other' === $id && $this->chance(70) ? $this->random->pickArrayKeys(array_flip(self::LOADS), 1)
                : [];
            $ago = $this->someDay();
            $this->assessed($ago, [$id.(null === $side ? '' : ":$side->value").implode('',
                array_map(static fn (string $load): string => "+$load", $loads))]);
            $name = "condition:$id".(null === $side ? '' : ":$side->value");
            $this->parts[] = [$ago, 'events', ['event' => 'condition', 'id' => $name, 'condition' => $id,
                'on' => $this->day($ago), 'by' => (string) $this->of->teacher->id] + (null === $side ? []
                : ['side' => $side->value]) + ([] === $loads ? [] : ['loads' => $loads])];
            $this->holding[] = [$name, $ago];
        }
    }

    private function word(): void
    {
        if ([] === $this->holding) {
            return;
        }
        [$name, $ago] = $this->holding[$this->random->getInt(0, count($this->holding) - 1)];
        if (!$this->hasDay($ago)) {
            return;
        }
        $later = $this->someDay($ago);
        $word = $this->chance(60) ? ClearanceAuthority::Clinician : ClearanceAuthority::Teacher;
        $isAsked = $this->chance(80);
        $ways = [[], [], ['isGentle' => true], ['without' => ['turn-out']], ['upTo' => ['kneeFlexion' => 120.0]],
            ['isNothing' => true]];
        $allows = new Allowance(...$ways[$this->random->getInt(0, 5)]);
        $clearance = new Clearance($this->id(), $this->of, $this->of->teacher, $this->at($later), 'Somebody', $word,
            new \DateTimeImmutable($this->day($later), new \DateTimeZone('UTC')), 'As they said.', $isAsked, [$name],
            'doctor', AllowanceFields::write($allows));
        $this->records[] = $clearance;
        $this->parts[] = [$later, 'events', ['event' => 'clearance', 'id' => "clearance:$clearance->id",
            'on' => $this->day($later), 'clears' => [$name], 'by' => $word->value, 'asked' => $isAsked,
            'teacher' => (string) $this->of->teacher->id, 'name' => 'Somebody', 'profession' => 'doctor',
            'allows' => match (true) {
                $allows->isAll() => 'all',
                $allows->isNothing => 'nothing',
                default => AllowanceFields::write($allows),
            }]];
    }

    private function slip(): void
    {
        $said = array_values(array_filter($this->holding, static fn (array $one): bool => str_starts_with($one[0],
            'pain:')));
        if ([] === $said) {
            return;
        }
        [$name, $ago] = $said[0];
        $mistake = new Mistake($this->id(), $this->of, $this->of->teacher, $this->at($ago)->modify('+1 hour'), $name,
            'It was the other person.');
        $this->records[] = $mistake;
        $this->parts[] = [$ago, 'events', ['event' => 'mistake', 'id' => "mistake:$mistake->id",
            'on' => $this->day($ago), 'of' => $name, 'by' => (string) $this->of->teacher->id,
            'why' => 'It was the other person.']];
    }

    /** @param list<string> $conditions */
    private function assessed(int $ago, array $conditions): void
    {
        $this->records[] = new Assessment($this->id(), $this->of, $this->of->teacher, $this->at($ago), false,
            $this->wanted, [], $conditions, '', true, 0, PainPlace::None, PainKind::Ache);
    }

    /** @param array<string, mixed> $says */
    private function part(int $ago, string $part, array $says, Pain $pain): void
    {
        $this->parts[] = [$ago, $part, ['on' => $this->day($ago)] + $says];
        if ($pain->isFelt()) {
            $this->holding[] = [$says['id'], $ago];
        }
    }

    /** @return array{string, string} */
    private function rung(): array
    {
        $posture = $this->wanted[$this->random->getInt(0, 1)];
        $rungs = $this->catalogue->postures()[$posture]->rungs;

        return [$posture, $rungs[$this->random->getInt(0, count($rungs) - 1)]->id];
    }

    private function hurts(int $percent): Pain
    {
        if (!$this->chance($percent)) {
            return Pain::none();
        }
        [$level, $place, $kind] = self::PAINS[$this->random->getInt(0, count(self::PAINS) - 1)];

        return new Pain($level, PainPlace::from($place), PainKind::from($kind));
    }

    /** @return array<string, mixed> */
    private static function said(Pain $pain): array
    {
        return $pain->isFelt() ? ['level' => $pain->level, 'where' => $pain->place->value, 'kind' => $pain->kind->value]
            : ['level' => 0];
    }

    /** @param int $before a day that it comes after, in days ago */
    private function someDay(int $before = self::DAYS + 1): int
    {
        $open = array_values(array_filter($this->days, static fn (int $ago): bool => $ago < $before));
        $ago = [] === $open ? throw new \LogicException('There is no such day left.')
            : $open[$this->random->getInt(0, count($open) - 1)];
        $this->days = array_values(array_diff($this->days, [$ago]));

        return $ago;
    }

    /** Whether a day after one is left. */
    private function hasDay(int $before): bool
    {
        return [] !== array_filter($this->days, static fn (int $ago): bool => $ago < $before);
    }

    private function side(): Side
    {
        return Side::cases()[$this->random->getInt(0, 1)];
    }

    private function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    private function at(int $ago): \DateTimeImmutable
    {
        return $this->today->modify("-$ago days")->setTime(10, 0);
    }

    private function day(int $ago): string
    {
        return $this->today->modify("-$ago days")->format('Y-m-d');
    }

    private function id(): Uuid
    {
        return Uuid::v7();
    }
}
