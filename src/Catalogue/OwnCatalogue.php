<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\OwnEntry;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Yaml\Yaml;

/** A teacher's own entries beside the shipped ones: checked in the same way, kept version by version. */
final class OwnCatalogue
{
    private const FILE = '%s.yaml';

    /** @var array<string, list<OwnEntry>> by teacher, for the length of a request */
    private array $newest = [];

    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
    ) {
    }

    /** @return list<OwnEntry> the newest version of each */
    public function newest(Teacher $teacher): array
    {
        return $this->newest[(string) $teacher->id] ??= $this->em->createQuery(
            'SELECT e FROM '.OwnEntry::class.' e WHERE e.teacher = :teacher AND e.version = (SELECT MAX(o.version) FROM '.OwnEntry::class.' o
             WHERE o.teacher = e.teacher AND o.kind = e.kind AND o.name = e.name) AND e.kind IN (:kinds) ORDER BY e.kind, e.name',
        )
            ->setParameter('teacher', $teacher->id, 'uuid')->setParameter('kinds', [Kind::Posture->value, Kind::Test->value])->getResult();
    }

    /** @return list<OwnEntry> every version of one, the newest first */
    public function versions(Teacher $teacher, Kind $kind, string $name): array
    {
        return $this->em->createQuery('SELECT e FROM '.OwnEntry::class.' e WHERE e.teacher = :teacher AND e.kind = :kind AND e.name = :name ORDER BY e.version DESC')
            ->setParameter('teacher', $teacher->id, 'uuid')->setParameter('kind', $kind)->setParameter('name', $name)->getResult();
    }

    /** @return array<string, array<string, mixed>> shipped and own, by id */
    public function all(Teacher $teacher, Kind $kind): array
    {
        $all = $this->catalogue->all($kind);
        foreach ($this->newest($teacher) as $own) {
            if ($own->kind === $kind) {
                [$entry, $faults] = $this->read($own);
                if ([] === $faults) {
                    $base = Kind::Posture === $kind && null !== $own->adapts ? $all[$own->adapts] ?? null : null;
                    $all[$own->name] = (null === $base ? $entry : Inherited::into($entry, $base)) + ['own' => $own->version, 'adapts' => $own->adapts];
                }
            }
        }

        return $all;
    }

    /**
     * @param string|null $name the entry that a new version is meant for; null for a new entry
     *
     * @return array{array<string, mixed>, list<Fault>}
     */
    public function tried(Teacher $teacher, Kind $kind, string $text, ?string $name): array
    {
        $folder = $this->catalogue->compiled();
        foreach ($this->newest($teacher) as $own) {
            if ($own->kind !== $kind || $own->name !== $name) {
                $folder->addOwn($own->kind, $own->text, sprintf(self::FILE, $own->name));
            }
        }
        $file = sprintf(self::FILE, $name ?? 'entry');
        [$entry, $faults] = $folder->tried($kind, $text, $file);
        $id = $entry['id'] ?? null;
        if (is_string($id)) {
            $line = EntryText::line($text, 'id');
            if (null !== $name && $id !== $name) {
                $faults[] = new Fault($file, $line, 'id', sprintf('was "%s" so far, and stays so.', $name));
            } elseif (null !== $this->catalogue->entry($kind, $id)) {
                $faults[] = new Fault($file, $line, 'id', 'is that of a shipped entry, which is adapted under a name of its own.');
            } elseif (null === $name && [] !== $this->versions($teacher, $kind, $id)) {
                $faults[] = new Fault($file, $line, 'id', 'is that of an entry of yours: open that one to write its next version.');
            } elseif (strlen($id) > 80) {
                $faults[] = new Fault($file, $line, 'id', 'is longer than 80 characters.');
            }
        }

        return [$entry, $faults];
    }

    public function keep(Teacher $teacher, Kind $kind, string $name, string $text, ?string $adapts): OwnEntry
    {
        $before = $this->versions($teacher, $kind, $name)[0] ?? null;
        if (null !== $before && $before->text === $text) {
            return $before;
        }
        $entry = new OwnEntry(Uuid::v7(), $teacher, $kind, $name, ($before->version ?? 0) + 1, $before->adapts ?? $adapts, $text, $this->clock->now());
        $this->em->persist($entry);
        $this->em->flush();
        $this->newest = [];

        return $entry;
    }

    /** @param array<string, mixed> $entry */
    public static function dump(array $entry): string
    {
        return Yaml::dump($entry, 10, 4, Yaml::DUMP_NULL_AS_TILDE);
    }

    /** @return array{array<string, mixed>, list<Fault>} */
    private function read(OwnEntry $own): array
    {
        return EntryText::read($own->kind, $own->text, sprintf(self::FILE, $own->name), $this->catalogue->schemas());
    }
}
