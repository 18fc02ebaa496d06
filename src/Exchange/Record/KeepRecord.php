<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Entity\OwnPicture;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Repository\CarriedIds;
use LucidAscent\App\Repository\Consents;
use LucidAscent\App\Security\OneAtATime;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/**
 * A record read into a teacher's account: what is there already stays as it is, what is new is added, all of it or
 * none.
 */
final readonly class KeepRecord
{
    public function __construct(
        private EntityManagerInterface $em,
        private RecordDocument $records,
        private RecordSchema $schema,
        private CarriedIds $carried,
        private RecordPain $pain,
        private OneAtATime $oneAtATime,
        private ClockInterface $clock,
        private Catalogue $catalogue,
        private RecordChecks $checks,
        private PictureStore $pictures,
        private Consents $consents,
    ) {
    }

    /**
     * @param bool $isTried whether nothing is kept in the end
     * @param bool $isWrittenHere whether the teacher wrote what is new in it just now; who wrote what comes in a file
     *     is what the file says, and nobody of here
     *
     * @return array{added: int, known: int, refused: list<array{what: string, because: string}>, person: string|null,
     *     unknown: list<string>} person: the row's key; unknown: names of what this catalogue has not
     *
     * @throws InvalidRecord when it is refused whole
     */
    public function of(mixed $document, Teacher $teacher, bool $isTried = false, bool $isWrittenHere = false): array
    {
        $parts = RecordParts::of($document, $this->schema);
        $this->em->beginTransaction();
        try {
            $this->oneAtATime->hold("records of $teacher->id");
            $answer = $this->add($parts, $teacher, $isWrittenHere);
            if ($isTried) {
                $this->em->rollback();
                $this->em->clear();
            } else {
                $this->em->commit();
            }
        } catch (\Throwable $e) {
            $this->em->rollback();

            throw $e;
        }

        return $answer;
    }

    /**
     * @return array{added: int, known: int, refused: list<array{what: string, because: string}>, person: string|null,
     *     unknown: list<string>}
     */
    private function add(RecordParts $parts, Teacher $teacher, bool $isWrittenHere): array
    {
        $unknown = UnknownNames::of($parts->items, $this->catalogue);
        $row = $this->carried->person($teacher, Uuid::fromString($parts->head['person']['id']));
        $practitioner = null === $row ? null : $this->em->find(Practitioner::class, $row);
        if (null !== $practitioner && null !== $this->consents->withdrawn($practitioner)) {
            throw InvalidRecord::withdrawn();
        }
        $here = null === $practitioner ? [] : $this->records->of($practitioner);
        $known = null === $practitioner ? 0 : 1;
        $wasHere = [];
        foreach (array_keys(RecordKinds::CLASSES) as $kind) {
            $mine = array_column($here[$kind] ?? [], null, 'id');
            $wasHere += $mine;
            foreach ($parts->items[$kind] ?? [] as $i => $item) {
                if (!isset($mine[$item['id']])) {
                    continue;
                }
                unset($parts->items[$kind][$i]);
                if (self::isSame($mine[$item['id']], $item)) {
                    ++$known;
                } else {
                    $parts->refuse(
                        "{$kind}[$i]",
                        'It is on record already and says something else; it stands as it was.',
                        $item,
                    );
                }
            }
        }
        $this->refuseWordsAboutWhatWasHere($parts, $wasHere);

        $names = $this->names($parts, $practitioner);
        foreach ($parts->items as $kind => $items) {
            $parts->items[$kind] = array_map(
                static fn (array $item): array => ['by' => $item['by'] ?? null] + RenamedIds::in($item, $names),
                $items,
            );
        }
        $added = [];
        if (null === $practitioner) {
            $id = $parts->head['person']['id'];
            $practitioner = $parts->person(Uuid::fromString($names[$id] ?? $id), $teacher);
            $added[] = $practitioner;
        }
        $written = array_column($parts->head['writtenBy'], 'name', 'id');
        $people = $isWrittenHere ? [(string) $teacher->id => $teacher] : [];
        $claimed = [];
        $records = $parts->records(
            $practitioner,
            function (string $id) use ($written, $names, &$people, &$added, &$claimed): Teacher {
                $people[$id] ??= isset($names[$id])
                    ? $this->em->find(Teacher::class, Uuid::fromString($names[$id]))
                    : null;
                if (null === $people[$id]) {
                    $people[$id] = $added[] = Teacher::claimed(Uuid::v7(), $written[$id] ?? '?', $this->clock->now());
                    $claimed[(string) $people[$id]->id] = $id;
                }

                return $people[$id];
            },
            fn (string $type, string $id): ?object => $this->ofPerson($type, $id, $practitioner),
            $this->checks,
            $this->clock->now(),
        );
        $many = array_sum(array_map(count(...), $records)) + (null === $row ? 1 : 0);
        foreach ([...$added, ...array_merge([], ...array_values($records))] as $record) {
            $this->em->persist($record);
        }
        $this->em->flush();
        $this->carried->add(
            $practitioner->id,
            array_flip(array_diff_key($names, $this->namesOf($here, $practitioner))) + $claimed,
        );
        foreach ($parts->pains() as [$pain, $side, $source]) {
            $this->pain->of($practitioner, $teacher, $pain, $side, $source);
        }

        return [
            'added' => $many,
            'known' => $known,
            'refused' => $parts->refused,
            'person' => (string) $practitioner->id,
            'unknown' => $unknown,
        ];
    }

    /**
     * A hold that was here before is ended here: by a clearance that somebody records, and not by a file that says that
     * somebody has. What comes together with its hold is as it was elsewhere.
     *
     * @param array<string, mixed> $wasHere what was on record, by id
     */
    private function refuseWordsAboutWhatWasHere(RecordParts $parts, array $wasHere): void
    {
        foreach (['clearances' => 'names', 'mistakes' => 'names'] as $kind => $field) {
            foreach ($parts->items[$kind] ?? [] as $i => $item) {
                $isConditionHere =
                    [] !== $wasHere
                    && [] !==
                        array_filter(
                            (array) $item[$field],
                            static fn (string $name): bool => str_starts_with($name, 'condition:'),
                        );
                if ($isConditionHere || [] !== array_intersect(RenamedIds::all($item[$field]), array_keys($wasHere))) {
                    unset($parts->items[$kind][$i]);
                    $parts->refuse(
                        "{$kind}[$i]",
                        'What it ends was on record here before: record the word here, if it was given.',
                        null,
                    );
                }
            }
        }
    }

    /**
     * New keys for ids that are in use elsewhere in this database, and those that were given before.
     *
     * @return array<string, string> the row's key by the id in the record
     */
    private function names(RecordParts $parts, ?Practitioner $practitioner): array
    {
        $names = null === $practitioner ? [] : array_flip($this->carried->of($practitioner));
        $new = null === $practitioner ? [$parts->head['person']['id']] : [];
        foreach ($parts->items as $items) {
            foreach ($items as $item) {
                array_push($new, $item['id'], ...isset($item['entryId']) ? [$item['entryId']] : []);
            }
        }
        $new = array_values(array_diff(array_unique($new), array_keys($names)));
        $taken = [];
        $classes = [Practitioner::class, OwnPicture::class, ...array_values(RecordKinds::CLASSES)];
        foreach ([] === $new ? [] : $classes as $class) {
            foreach (Test::class === $class ? ['id', 'entryId'] : ['id'] as $field) {
                foreach (array_chunk($new, 500) as $some) {
                    $found = $this->em
                        ->createQuery(
                            "SELECT o.$field AS id FROM $class o WHERE o.$field IN (:ids)".
                                (null !== $practitioner && property_exists($class, 'practitioner')
                                    ? ' AND o.practitioner <> :p'
                                    : ''),
                        )
                        ->setParameter(
                            'ids',
                            array_map(static fn (string $id): string => Uuid::fromString($id)->toBinary(), $some),
                            \Doctrine\DBAL\ArrayParameterType::BINARY,
                        );
                    null !== $practitioner && property_exists($class, 'practitioner')
                        ? $found->setParameter('p', $practitioner->id, 'uuid')
                        : null;
                    foreach ($found->getScalarResult() as $one) {
                        $taken[
                            (string) ($one['id'] instanceof Uuid
                                ? $one['id']
                                : (Uuid::isValid($one['id'])
                                    ? $one['id']
                                    : Uuid::fromBinary($one['id'])))
                        ] = true;
                    }
                }
            }
        }
        // A picture is a file of its id: what a record says is its own, and no file that is there already.
        foreach (array_column($parts->items['pictures'] ?? [], 'id') as $id) {
            if ($this->pictures->has(Uuid::fromString($id)) && !isset($names[$id])) {
                $taken[$id] = true;
            }
        }
        foreach (array_keys($taken) as $id) {
            $names[$id] = (string) Uuid::v7();
        }

        return $names;
    }

    /**
     * @param array<string, mixed> $here
     *
     * @return array<string, string>
     */
    private function namesOf(array $here, Practitioner $practitioner): array
    {
        return [] === $here ? [] : array_flip($this->carried->of($practitioner));
    }

    /** @param class-string $type */
    private function ofPerson(string $type, string $id, Practitioner $practitioner): ?object
    {
        $found = Uuid::isValid($id) ? $this->em->find($type, Uuid::fromString($id)) : null;

        return null !== $found && isset($found->practitioner) && $found->practitioner === $practitioner ? $found : null;
    }

    /** Whether the two say the same, whatever order their names have; what is not said is null. */
    private static function isSame(mixed $one, mixed $other): bool
    {
        if (!is_array($one) || !is_array($other)) {
            return is_numeric($one) && is_numeric($other) && !is_string($one) && !is_string($other)
                ? (float) $one === (float) $other
                : $one === $other;
        }
        foreach (array_keys($one + $other) as $name) {
            if (!self::isSame($one[$name] ?? null, $other[$name] ?? null)) {
                return false;
            }
        }

        return true;
    }
}
