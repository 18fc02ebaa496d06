<?php

declare(strict_types=1);

namespace LucidAscent\App\PageCache;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Studio;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\Core\Calendar\Day;
use Psr\Cache\CacheItemPoolInterface;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Translation\LocaleSwitcher;
use Symfony\Component\Uid\Uuid;

/**
 * What was made out of somebody's records, in this server's memory, by name, count of changes, code, day and language.
 * It is on no disk, and is forgotten within a day.
 */
final readonly class CachedParts
{
    private const HOURS = 12;

    public function __construct(
        #[Autowire(service: 'cache.parts')]
        private CacheItemPoolInterface $pool,
        private ChangeCounts $counts,
        private ClockInterface $clock,
        private LocaleSwitcher $locale,
        #[Autowire('%env(ASSET_VERSION)%')]
        private string $code,
    ) {
    }

    /**
     * Where what is made now may be kept.
     *
     * @param list<Uuid> $people
     *
     * @return array<string, string|null> by the person's id, or '' for the teacher alone; null where a record is of a
     *     moment that has not come: what it says changes by itself then
     */
    public function places(string $name, Teacher $teacher, array $people): array
    {
        $counts = $this->counts->of([$teacher->id, $teacher->studio()->id, ...$people]);

        return $this->each(
            [$name, (string) $teacher->id, $this->locale->getLocale()],
            self::own($counts, $teacher),
            $people,
            $counts,
        );
    }

    /**
     * The same for what says the same to every member of a studio, in any language.
     *
     * @param non-empty-list<Uuid> $people
     *
     * @return array<string, string|null> by the person's id
     */
    public function placesInStudio(string $name, Studio $studio, array $people): array
    {
        $counts = $this->counts->of([$studio->id, ...$people]);

        return $this->each([$name, (string) $studio->id], $counts[(string) $studio->id], $people, $counts);
    }

    /** The same for what is made of the records of everybody who is open to somebody. */
    public function placeOfEverybody(string $name, Teacher $teacher): ?string
    {
        return $this->place(
            [$name, (string) $teacher->id, $this->locale->getLocale()],
            self::own($this->counts->of([$teacher->id, $teacher->studio()->id]), $teacher),
            'everybody',
            $this->counts->ofEverybody($teacher),
        );
    }

    /**
     * @param array<string, array{number: int, latest: \DateTimeImmutable|null}> $counts
     *
     * @return array{number: string, latest: \DateTimeImmutable|null} of who asks and of the studio, as one
     */
    private static function own(array $counts, Teacher $teacher): array
    {
        $own = $counts[(string) $teacher->id];
        $studio = $counts[(string) $teacher->studio()->id];

        return [
            'number' => "$own[number] $studio[number]",
            'latest' => max($own['latest'], $studio['latest']),
        ];
    }

    /**
     * @param list<string> $of what it is, and for whom
     * @param array{number: int|string, latest: \DateTimeImmutable|null} $own of for whom it is
     * @param list<Uuid> $people
     * @param array<string, array{number: int, latest: \DateTimeImmutable|null}> $counts
     *
     * @return array<string, string|null>
     */
    private function each(array $of, array $own, array $people, array $counts): array
    {
        $places = [];
        foreach ([] === $people ? [''] : array_map(strval(...), $people) as $id) {
            $places[$id] = $this->place($of, $own, $id, $counts[$id] ?? ['number' => 0, 'latest' => null]);
        }

        return $places;
    }

    /**
     * @param list<string> $of what it is, and for whom
     * @param array{number: int|string, latest: \DateTimeImmutable|null} $own of for whom it is
     * @param array{number: int|string, latest: \DateTimeImmutable|null} $count of whom it is about
     */
    private function place(array $of, array $own, string $about, array $count): ?string
    {
        $now = $this->clock->now();

        return max($own['latest'], $count['latest']) > $now
            ? null
            : hash(
                'sha256',
                (string) json_encode([
                    $of,
                    $this->code,
                    $own['number'],
                    $about,
                    $count['number'],
                    Day::of($now),
                    $now->getTimezone()->getName(),
                ]),
            );
    }

    /**
     * What is of a person, made once until something is written about that person.
     *
     * @template T
     *
     * @param \Closure(): T $make
     *
     * @return T
     */
    public function ofPerson(string $name, Practitioner $practitioner, \Closure $make): mixed
    {
        return $this->made(
            $this->places($name, $practitioner->teacher, [$practitioner->id])[(string) $practitioner->id],
            $make,
        );
    }

    /**
     * What is of a teacher alone, made once until something of the teacher's own is written.
     *
     * @template T
     *
     * @param \Closure(): T $make
     *
     * @return T
     */
    public function ofTeacher(string $name, Teacher $teacher, \Closure $make): mixed
    {
        return $this->made($this->places($name, $teacher, [])[''], $make);
    }

    /**
     * What depends on nobody's records but on what its name says, made once for this code and language.
     *
     * @template T
     *
     * @param list<mixed> $name all that it is made of
     * @param \Closure(): T $make
     *
     * @return T
     */
    public function ofNobody(array $name, \Closure $make): mixed
    {
        return $this->made(
            hash(
                'sha256',
                json_encode(
                    [$this->code, $this->locale->getLocale(), ...$name],
                    JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
                ),
            ),
            $make,
        );
    }

    /**
     * @template T
     *
     * @param \Closure(): T $make
     *
     * @return T
     */
    private function made(?string $place, \Closure $make): mixed
    {
        $kept = $this->get($place);
        if (null === $kept) {
            $this->keep($place, $kept = $make());
        }

        return $kept;
    }

    public function get(?string $place): mixed
    {
        $item = null === $place ? null : $this->pool->getItem($place);

        [$kept, $until] = null === $item || !$item->isHit() ? [null, 0.0] : $item->get();

        // By the clock that the page was made by.
        return null === $kept || (float) $this->clock->now()->format('U.u') >= $until
            ? null
            : unserialize((string) gzinflate($kept));
    }

    /** @param \DateTimeImmutable|null $until the moment from which it says something else, where there is one */
    public function keep(?string $place, mixed $what, ?\DateTimeImmutable $until = null): void
    {
        if (null !== $place) {
            $latest = $this->clock->now()->modify('+'.self::HOURS.' hours');
            $end = null === $until ? $latest : min($until, $latest);
            $this->pool->save(
                $this->pool
                    ->getItem($place)
                    ->set([gzdeflate(serialize($what), 1), (float) $end->format('U.u')])
                    ->expiresAfter(self::HOURS * 3600),
            );
        }
    }
}
