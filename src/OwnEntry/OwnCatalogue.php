<?php

declare(strict_types=1);

namespace LucidAscent\App\OwnEntry;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\EntryText;
use LucidAscent\App\Catalogue\Fault;
use LucidAscent\App\Catalogue\Inherited;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\OlderEntry;
use LucidAscent\App\Entity\OwnEntry;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;
use Symfony\Component\Yaml\Yaml;
use Symfony\Contracts\Cache\CacheInterface;
use Symfony\Contracts\Service\ResetInterface;

/** A studio's own entries beside the shipped ones: checked in the same way, kept version by version. */
final class OwnCatalogue implements ResetInterface
{
    private const FILE = '%s.yaml';

    /** @var array<string, list<OwnEntry>> by studio, for the length of a request */
    private array $newest = [];

    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly Catalogue $catalogue,
        private readonly ClockInterface $clock,
        private readonly CacheInterface $cache,
    ) {
    }

    public function reset(): void
    {
        $this->newest = [];
    }

    /** @return list<OwnEntry> the newest version of each */
    public function newest(Teacher $teacher): array
    {
        return $this->newest[(string) $teacher->studio()->id] ??= $this->em
            ->createQuery(
                sprintf(
                    'SELECT e FROM %1$s e
                     WHERE e.studio = :studio AND e.kind IN (:kinds) AND e.version = (
                        SELECT MAX(o.version) FROM %1$s o
                        WHERE o.studio = e.studio AND o.kind = e.kind AND o.name = e.name
                     ) ORDER BY e.kind, e.name',
                    OwnEntry::class,
                ),
            )
            ->setParameter('studio', $teacher->studio()->id, 'uuid')
            ->setParameter('kinds', array_map(static fn (Kind $kind): string => $kind->value, Kind::own()))
            ->getResult();
    }

    /** @return list<OwnEntry> every version of one, the newest first */
    public function versions(Teacher $teacher, Kind $kind, string $name): array
    {
        return $this->em
            ->createQuery(
                'SELECT e FROM '.
                    OwnEntry::class.
                    ' e WHERE e.studio = :studio AND e.kind = :kind AND e.name = :name ORDER BY e.version DESC',
            )
            ->setParameter('studio', $teacher->studio()->id, 'uuid')
            ->setParameter('kind', $kind)
            ->setParameter('name', $name)
            ->getResult();
    }

    /**
     * @return array<string, array<string, array<string, mixed>>> what a studio has written and is without fault, by
     *     kind and id
     */
    public function of(Teacher $teacher): array
    {
        $all = [];
        foreach ($this->newest($teacher) as $own) {
            [$entry, $faults] = $this->read($own);
            if ([] === $faults) {
                $all[$own->kind->value][$own->name] = $entry + ['own' => $own->version, 'adapts' => $own->adapts];
            }
        }
        $postures = $all[Kind::Posture->value] ?? [];
        if ([] !== $postures) {
            $shipped = $this->catalogue->shipped(Kind::Posture);
            $gates = Inherited::gatesOf($shipped);
            $inheriting = array_map(
                static fn (array $entry): ?array => self::inheriting($entry, $postures, $shipped),
                $postures,
            );
            $all[Kind::Posture->value] = array_map(
                static fn (array $entry): array => Inherited::closed($entry, $gates),
                array_filter($inheriting, is_array(...)),
            );
        }

        return $all;
    }

    /**
     * With all that it has from what it adapts, and from what that adapts, whatever they are called.
     *
     * @param array<string, mixed> $entry
     * @param array<string, array<string, mixed>> $own the studio's postures by id
     * @param array<string, array<string, mixed>> $shipped postures by id
     *
     * @return array<string, mixed>|null null when what it adapts cannot be read: nobody knows then what it loads
     */
    private static function inheriting(array $entry, array $own, array $shipped): ?array
    {
        if (null === $entry['adapts']) {
            return $entry;
        }
        $base = $shipped[$entry['adapts']] ?? null;
        if (null === $base && isset($own[$entry['adapts']])) {
            // One that led back to itself would be asked for ever.
            $base = self::inheriting(
                $own[$entry['adapts']],
                array_diff_key($own, [$entry['adapts'] => true]),
                $shipped,
            );
        }

        return null === $base ? null : Inherited::into($entry, $base);
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
            } elseif (isset($this->catalogue->shipped($kind)[$id])) {
                $faults[] = new Fault(
                    $file,
                    $line,
                    'id',
                    'is that of a shipped entry, which is adapted under a name of its own.',
                );
            } elseif (null === $name && [] !== $this->versions($teacher, $kind, $id)) {
                $faults[] = new Fault(
                    $file,
                    $line,
                    'id',
                    'is that of an entry of yours: open that one to write its next version.',
                );
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
        $entry = new OwnEntry(
            Uuid::v7(),
            $teacher,
            $kind,
            $name,
            ($before->version ?? 0) + 1,
            $before->adapts ?? $adapts,
            $text,
            $this->clock->now(),
        );
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
        // A version never changes, and a new release has a new cache: each is read once.
        return $this->cache->get(
            "own.$own->id",
            function () use ($own): array {
                $read = fn (string $text): array => EntryText::read(
                    $own->kind,
                    $text,
                    sprintf(self::FILE, $own->name),
                    $this->catalogue->schemas(),
                );
                $as = $read($own->text);
                $today = [] === $as[1] ? null : OlderEntry::today($own->text);
                $older = null === $today ? $as : $read($today);

                return [] === $older[1] ? $older : $as;
            },
        );
    }

    /**
     * What a studio has written and this version cannot read: kept, shown, and for its writer to put right.
     *
     * @return array<string, list<Fault>> why, by kind and name ("posture/my-lotus")
     */
    public function unreadable(Teacher $teacher): array
    {
        $read = $this->of($teacher);
        $unreadable = [];
        foreach ($this->newest($teacher) as $own) {
            if (!isset($read[$own->kind->value][$own->name])) {
                $faults = $this->read($own)[1];
                $unreadable[$own->kind->value.'/'.$own->name] =
                    [] !== $faults
                        ? $faults
                        : [
                            new Fault(
                                sprintf(self::FILE, $own->name),
                                EntryText::line($own->text, 'id'),
                                'adapts',
                                sprintf('"%s" is not there any more.', (string) $own->adapts),
                            ),
                        ];
            }
        }

        return $unreadable;
    }
}
