<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\PainFields;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\TrialCheck;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Readings and logs of a table, as parts of a record: a line is a trial of a test, or a check of a rung. What a line is
 * follows from what it says, so that a table that is read twice adds nothing.
 */
final readonly class TableReadings
{
    /** What a column may be, besides what is measured. */
    public const MEANINGS = [
        'record',
        'id',
        'on',
        'what',
        'rung',
        'side',
        'trial',
        'tool',
        'seat',
        'propHeight',
        'holdReached',
        'evenBreath',
        'compensations',
        'painLevel',
        'painPlace',
        'painKind',
        'note',
    ];

    private const HEADERS = [
        'test or posture' => 'what',
        'test' => 'what',
        'posture' => 'what',
        'date' => 'on',
        'day' => 'on',
        'prop height' => 'propHeight',
        'hold reached' => 'holdReached',
        'even breath' => 'evenBreath',
        'pain level' => 'painLevel',
        'pain' => 'painLevel',
        'pain place' => 'painPlace',
        'pain kind' => 'painKind',
    ];
    private const YES = ['yes', 'y', 'true', '1', 'x'];

    public function __construct(
        private Catalogue $catalogue,
        private RecordDocument $records,
        private Records $bodies,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<string> what may have been measured */
    public function measures(): array
    {
        $names = [];
        foreach ($this->catalogue->tests() as $test) {
            foreach (array_keys($test->measured) as $name) {
                $names[$name] = $name;
            }
        }
        ksort($names);

        return array_values($names);
    }

    /**
     * What each column seems to be, by its name.
     *
     * @param list<string> $columns
     *
     * @return list<string> a meaning, a measure, or '' for none
     */
    public function guessed(array $columns): array
    {
        return array_map(function (string $column): string {
            $name = trim((string) preg_replace('/\s*\(.*\)$/', '', $column));
            $plain = mb_strtolower($name);

            return match (true) {
                in_array($name, $this->measures(), true) => $name,
                isset(self::HEADERS[$plain]) => self::HEADERS[$plain],
                in_array($plain, self::MEANINGS, true) => $plain,
                default => '',
            };
        }, $columns);
    }

    /**
     * @param list<string> $meanings of each column
     *
     * @return array{array<string, mixed>, array<int, string>, array<string, list<int>>} a record with what could be
     *     read, why other lines could not, and of which lines each part is
     */
    public function record(TableFile $table, array $meanings, Practitioner $practitioner, Teacher $by): array
    {
        $here = $this->records->of($practitioner);
        $known = [];
        foreach (['tests', 'checks', 'logs'] as $kind) {
            $known += array_column($here[$kind], null, 'id');
        }
        $items = $faults = $lines = [];
        foreach ($table->lines as $number => $line) {
            $said = [];
            foreach ($meanings as $i => $meaning) {
                if ('' !== $meaning && '' !== ($line[$i] ?? '')) {
                    $said[$meaning] = $line[$i];
                }
            }
            if ([] === $said) {
                continue;
            }
            try {
                $there = $known[mb_strtolower($said['id'] ?? '')] ?? null;
                if (null !== $there) {
                    // It stands as it was; what a line says of pain that it does not is heard all the same.
                    $pain = self::pain($said);
                    $elsewhere = [$there['pain'] ?? null, ...array_column($there['items'] ?? [], 'pain')];
                    if (!self::isTold($pain, $elsewhere)) {
                        $items += self::told($pain, $said, $practitioner, $by, $this->clock->now());
                        $faults[$number] =
                            'It is on record already without this pain: it stands as it was, and the pain holds.';
                    }
                    continue;
                }
                [$kind, $item] = $this->item($said, $practitioner, $by);
                $key = "$kind $item[id]";
                if (isset($items[$key])) {
                    $first = $items[$key][1];
                    $items[$key][1] = self::both($first, $item);
                    foreach ([$first['pain'], $item['pain']] as $pain) {
                        if (!self::isTold($pain, [$items[$key][1]['pain']])) {
                            $items += self::told($pain, $said, $practitioner, $by, $this->clock->now());
                        }
                    }
                } else {
                    $items[$key] = [$kind, $item];
                }
                $lines[$key][] = $number;
            } catch (InvalidValue $e) {
                $faults[$number] = $e->getMessage();
                $level = $said['painLevel'] ?? '';
                if ('' !== $level && '0' !== $level) {
                    // Not a part that can be kept: what it says of pain is taken from it all the same.
                    $items["line $number"] = [
                        'tests',
                        [
                            'side' => mb_strtolower($said['side'] ?? ''),
                            'pain' => [
                                'level' => is_numeric($level) ? (int) $level : $level,
                                'place' => $said['painPlace'] ?? '',
                                'kind' => $said['painKind'] ?? '',
                            ],
                        ],
                    ];
                }
            }
        }
        $record = array_fill_keys(array_keys(RecordKinds::CLASSES), []);
        $of = [];
        foreach ($items as $key => [$kind, $item]) {
            $of["{$kind}[".count($record[$kind]).']'] = $lines[$key] ?? [];
            $record[$kind][] = $item;
        }
        $people = array_column($here['writtenBy'], null, 'id');
        $people[(string) $by->id] = ['id' => (string) $by->id, 'name' => $by->name];

        return [
            ['writtenBy' => array_values($people)] +
            array_intersect_key($here, array_flip(RecordKinds::HEAD)) +
            $record,
            $faults,
            $of,
        ];
    }

    /**
     * Two lines of one test are trials of it, and two of one check are one: of what they say the worse counts.
     *
     * @param array<string, mixed> $one
     * @param array<string, mixed> $other
     *
     * @return array<string, mixed>
     */
    private static function both(array $one, array $other): array
    {
        $both = [
            'pain' => $other['pain']['level'] > $one['pain']['level'] ? $other['pain'] : $one['pain'],
            'compensations' => array_values(
                array_unique([...$one['compensations'], ...$other['compensations']]),
            ),
            'note' => implode("\n", array_unique(array_diff([$one['note'], $other['note']], ['']))),
        ];
        if (isset($one['trials'])) {
            $both['trials'] = [...$one['trials'], ...$other['trials']];
        } else {
            $both['holdReached'] = true === $one['holdReached'] && true === $other['holdReached'];
            $both['evenBreath'] = true === $one['evenBreath'] && true === $other['evenBreath'];
        }

        return $both + $one;
    }

    /**
     * @param array{level: int, place: string, kind: string} $pain
     * @param list<mixed> $by what is said of pain elsewhere, in the same form
     */
    private static function isTold(array $pain, array $by): bool
    {
        $pain = PainFields::said($pain);

        return null === $pain
            || [] !==
                array_filter($by, static fn (mixed $one): bool => true === PainFields::said($one)?->equals($pain));
    }

    /**
     * A pain of a line as a part of its own.
     *
     * @param array{level: int, place: string, kind: string} $pain
     * @param array<string, string> $said
     *
     * @return array<string, array{string, array<string, mixed>}> by its key
     */
    private static function told(
        array $pain,
        array $said,
        Practitioner $practitioner,
        Teacher $by,
        \DateTimeImmutable $now,
    ): array {
        ksort($said);
        $id = (string) Uuid::v5($practitioner->id, 'table '.json_encode([$said, $pain]));

        return [
            "pains $id" => [
                'pains',
                [
                    'id' => $id,
                    'by' => (string) $by->id,
                    'at' => $now->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.u\Z'),
                    'saidOn' => $now->format('Y-m-d'),
                    'side' => Side::tryFrom(mb_strtolower($said['side'] ?? ''))?->value,
                    'pain' => $pain,
                    'source' => 'table',
                    'during' => mb_substr($said['what'] ?? '', 0, 40),
                    'rung' => mb_substr($said['rung'] ?? '', 0, 40),
                ],
            ],
        ];
    }

    /**
     * @param array<string, string> $said
     *
     * @return array{string, array<string, mixed>}
     *
     * @throws InvalidValue
     */
    private function item(array $said, Practitioner $practitioner, Teacher $by): array
    {
        $at = self::moment($said['on'] ?? throw InvalidValue::missing('day'), $practitioner->teacher);
        $at <= $this->clock->now()->modify('+1 day') || throw InvalidValue::because('day', 'has not been yet.');
        $what = $said['what'] ?? throw InvalidValue::missing('test or posture');
        $side =
            Side::tryFrom(mb_strtolower($said['side'] ?? '')) ??
            throw InvalidValue::because('side', 'is left or right.');
        $pain = self::pain($said);
        $compensations = array_values(
            array_filter(
                array_map(
                    static fn (mixed $one): string => trim((string) $one),
                    (array) preg_split('/[;|]/', $said['compensations'] ?? ''),
                ),
                static fn (string $one): bool => '' !== $one,
            ),
        );
        $written = [
            'by' => (string) $by->id,
            'at' => $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.u\Z'),
            'side' => $side->value,
            'pain' => $pain,
            'compensations' => $compensations,
            'note' => $said['note'] ?? '',
        ];
        $id = fn (string ...$of): string => (string) Uuid::v5($practitioner->id, implode(' ', $of));
        if (isset($said['rung']) || in_array($said['record'] ?? '', ['check', 'session'], true)) {
            $rung = $said['rung'] ?? throw InvalidValue::missing('rung');
            null !== $this->catalogue->rung($what, $rung)
                || throw InvalidValue::because('rung', sprintf('"%s" of "%s" is not known.', $rung, $what));
            $yes = static fn (string $name): bool => in_array(mb_strtolower($said[$name] ?? ''), self::YES, true);

            return [
                'checks',
                [
                    'id' => self::ownId($said) ?? $id('check', $what, $rung, $side->value, $at->format('Y-m-d')),
                    'ladder' => $what,
                    'rung' => $rung,
                    'practisedOn' => $at->format('Y-m-d'),
                    'propHeight' => isset($said['propHeight'])
                        ? self::number($said['propHeight'], 'prop height')
                        : null,
                    'holdReached' => $yes('holdReached'),
                    'evenBreath' => $yes('evenBreath'),
                    'soreAtNight' => false,
                ] + $written,
            ];
        }
        $definition =
            $this->catalogue->tests()[$what] ??
            throw InvalidValue::because('test', sprintf('"%s" is not known.', $what));
        $readings = [];
        foreach (array_keys($definition->measured) as $name) {
            if (isset($said[$name])) {
                $readings[$name] = self::number($said[$name], $name);
            }
        }
        if ([] === $readings) {
            $names = implode(', ', array_keys($definition->measured));
            throw InvalidValue::because('test', sprintf('"%s" has no reading in this line: %s.', $what, $names));
        }
        $tool =
            Tool::tryFrom($said['tool'] ?? '') ??
            match (true) {
                isset($said['tool']) => throw InvalidValue::because('tool', 'is not known.'),
                isset($readings['angle']) => Tool::Inclinometer,
                default => Tool::Tape,
            };
        $seat = isset($said['seat']) ? self::number($said['seat'], 'seat') : 0.0;
        $body = $this->bodies->body($practitioner)?->proportions();
        if (null !== $body && !TrialCheck::isOfBody($definition, $readings, $side, $tool, new Sitting($seat), $body)) {
            throw InvalidValue::because('The test', 'has numbers that no leg of this length gives: read them again.');
        }

        return [
            'tests',
            [
                'id' => self::ownId($said) ?? $id('test', $what, $side->value, $written['at']),
                'entryId' => $id('entry', $what, $written['at']),
                'kind' => $what,
                'tool' => $tool->value,
                'seat' => $seat,
                'rules' => Rules::VERSION,
                'corrects' => null,
                'assessment' => null,
                'resting' => null,
                'trials' => [['readings' => $readings, 'entered' => [], 'errors' => []]],
            ] + $written,
        ];
    }

    /** @param array<string, string> $said */
    private static function ownId(array $said): ?string
    {
        return isset($said['id']) && Uuid::isValid($said['id']) ? mb_strtolower($said['id']) : null;
    }

    /**
     * @param array<string, string> $said
     *
     * @return array{level: int, place: string, kind: string}
     *
     * @throws InvalidValue
     */
    private static function pain(array $said): array
    {
        $level = $said['painLevel'] ?? '0';
        if (!ctype_digit($level) || (int) $level > 10) {
            throw InvalidValue::because('pain', 'is a number from 0 to 10.');
        }
        $isFelt = (int) $level > 0;

        return [
            'level' => (int) $level,
            'place' => isset($said['painPlace'])
                ? PainPlace::named($said['painPlace'])->value
                : ($isFelt
                    ? PainPlace::Unknown->value
                    : PainPlace::None->value),
            'kind' => isset($said['painKind'])
                ? PainKind::named($said['painKind'])->value
                : ($isFelt
                    ? PainKind::Sharp->value
                    : PainKind::Ache->value),
        ];
    }

    /** @throws InvalidValue */
    private static function number(string $text, string $name): float
    {
        $plain = str_replace(',', '.', $text);
        if (in_array(mb_strtolower($text), [...self::YES, 'no', 'n', 'false'], true) && !is_numeric($plain)) {
            return in_array(mb_strtolower($text), self::YES, true) ? 1.0 : 0.0;
        }

        return is_numeric($plain) && is_finite((float) $plain) && abs((float) $plain) <= 1000.0
            ? (float) $plain
            : throw InvalidValue::because($name, sprintf('"%s" is no number.', mb_substr($text, 0, 30)));
    }

    /** A day is at noon by the teacher's clock. */
    private static function moment(string $text, Teacher $teacher): \DateTimeImmutable
    {
        $zone = new \DateTimeZone($teacher->timeZone() ?? 'UTC');
        $isMoment = 1 === preg_match('/^(.{10}T.{8})(?:\.(\d{1,6}))?Z$/D', $text, $parts);

        return Day::written('Y-m-d', $text, $zone)?->setTime(12, 0) ??
            ($isMoment
                ? Day::written(
                    'Y-m-d\TH:i:s.u',
                    $parts[1].'.'.str_pad($parts[2] ?? '', 6, '0'),
                    new \DateTimeZone('UTC'),
                )
                : null) ??
            throw InvalidValue::because(
                'day',
                sprintf('"%s" is no day such as 2026-03-09.', mb_substr($text, 0, 30)),
            );
    }
}
