<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\App\Log\UnreadNotes;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use Symfony\Component\Uid\Uuid;

/**
 * A record taken apart: what each part of it says, what of it could not be read, and what that says of pain, for
 * nothing of it is dropped because the rest is faulty.
 */
final class RecordParts
{
    /** @var list<array{what: string, because: string}> */
    public array $refused = [];
    /** @var list<array{Pain, Side|null, string, string}> pain, side and source */
    private array $pains = [];

    /**
     * @param array<string, mixed> $head what is no list of things that were written down
     * @param array<string, array<int, array<string, mixed>>> $items by kind, each by its place in the list
     */
    private function __construct(public readonly array $head, public array $items)
    {
    }

    /** @throws InvalidRecord when it is refused whole */
    public static function of(mixed $document, RecordSchema $schema): self
    {
        if (!is_array($document) || RecordKinds::FORMAT !== ($document['format'] ?? null)) {
            throw InvalidRecord::noRecord();
        }
        $version = $document['version'] ?? null;
        if (RecordKinds::VERSION !== $version) {
            throw is_int($version) && $version > RecordKinds::VERSION
                ? InvalidRecord::newer((string) $version)
                : InvalidRecord::head('version', 'it is no version that there ever was.');
        }
        foreach (['exportedAt', 'heldBy', 'person', 'writtenBy'] as $part) {
            $fault = $schema->fault($part, $document[$part] ?? null);
            if (null !== $fault) {
                throw InvalidRecord::head($part, $fault);
            }
        }
        foreach (['consentedAt', 'createdAt'] as $name) {
            try {
                RecordCodec::moment($document['person'][$name], $name);
            } catch (InvalidValue $e) {
                throw InvalidRecord::head('person', $e->getMessage());
            }
        }
        $parts = new self(array_intersect_key($document, array_flip(RecordKinds::HEAD)), []);
        foreach (
            array_diff_key($document, array_flip(RecordKinds::HEAD), RecordKinds::CLASSES) as $name => $value
        ) {
            $parts->refuse((string) $name, 'Nobody here knows what this is.', $value);
        }
        foreach (array_keys(RecordKinds::CLASSES) as $kind) {
            $list = $document[$kind] ?? [];
            if (!is_array($list) || !array_is_list($list)) {
                $parts->refuse($kind, 'It is no list.', $list);
                $list = [];
            }
            $seen = [];
            foreach ($list as $i => $item) {
                $fault = $schema->fault($kind, $item);
                if (null === $fault && isset($seen[$item['id']])) {
                    $fault = 'id: is there twice.';
                }
                if (null !== $fault) {
                    $parts->refuse("{$kind}[$i]", $fault, $item);
                } else {
                    $seen[$item['id']] = true;
                    $parts->items[$kind][$i] = $item;
                }
            }
        }

        return $parts;
    }

    /** Whom it is about, as somebody of this teacher's. */
    public function person(Uuid $id, Teacher $teacher): Practitioner
    {
        $person = $this->head['person'];

        return new Practitioner(
            $id,
            $teacher,
            $person['name'],
            RecordCodec::moment($person['consentedAt'], 'consentedAt'),
            RecordCodec::moment($person['createdAt'], 'createdAt'),
        );
    }

    public function refuse(string $what, string $because, mixed $value): void
    {
        $said = PainFields::inUnreadable($value);
        $this->refused[] = [
            'what' => $what,
            'because' => $because.([] === $said ? '' : ' What it says of pain holds all the same.'),
        ];
        foreach ($said as $pain) {
            $this->pains[] = [
                $pain,
                Side::tryFrom(Fields::textIn($value, 'side')),
                'record '.substr(hash('sha256', (string) json_encode($value)), 0, 16),
                '',
            ];
        }
    }

    /**
     * What was said of pain in parts that could not be read.
     *
     * @return list<array{Pain, Side|null, string, string}> pain, side and source
     */
    public function pains(): array
    {
        return RecordPain::bounded($this->pains);
    }

    /**
     * What the items say, as things that were written down, and the notes among them that nobody has read; one that
     * cannot be one is refused.
     *
     * @param \Closure(string): Teacher $by who wrote, by id
     * @param \Closure(class-string, string): ?object $known what is there already, by kind and id
     *
     * @return array<class-string, list<object>> by kind, each after what it leads to
     */
    public function records(
        Practitioner $practitioner,
        \Closure $by,
        \Closure $known,
        RecordChecks $checks,
        \DateTimeImmutable $now,
    ): array {
        $records = $byId = [];
        foreach (RecordKinds::CLASSES as $kind => $class) {
            foreach ($this->items[$kind] ?? [] as $i => $item) {
                try {
                    $record = RecordCodec::read(
                        $class,
                        $item,
                        $practitioner,
                        $by,
                        static fn (string $type, string $id): ?object => self::find($byId, $known, $type, $id),
                    );
                    $checks->check($record);
                    if (
                        ($record instanceof AssessmentEnd || $record instanceof AssessmentOutcome)
                        && null === self::find($byId, $known, Assessment::class, $item['id'])
                    ) {
                        throw InvalidValue::because('id', 'is of no assessment in this record.');
                    }
                    if (
                        $record instanceof PracticePlan
                        && null !== $record->replaces
                        && null === self::find($byId, $known, PracticePlan::class, (string) $record->replaces)
                    ) {
                        throw InvalidValue::because(
                            'replaces',
                            'is no plan that stands before it in this record.',
                        );
                    }
                    $records[$class][] = $byId[$class][$item['id']] = $record;
                } catch (InvalidValue $e) {
                    $this->refuse("{$kind}[$i]", $e->getMessage(), $item);
                }
            }
        }

        foreach (UnreadNotes::inFile(array_merge([], ...array_values($records)), $now) as $unread) {
            if (!isset($byId[PractitionerNote::class][(string) $unread->id])) {
                $records[PractitionerNote::class][] = $unread;
            }
        }

        return $records;
    }

    /**
     * @param array<class-string, array<string, object>> $byId what this record has said so far
     * @param \Closure(class-string, string): ?object $known what is there already
     * @param class-string $type
     */
    private static function find(array $byId, \Closure $known, string $type, string $id): ?object
    {
        return $byId[$type][$id] ?? $known($type, $id);
    }
}
