<?php

declare(strict_types=1);

namespace LucidAscent\App\Kept;

use LucidAscent\App\Entity\Practitioner;
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
final readonly class KeptParts
{
    private const HOURS = 12;

    public function __construct(
        #[Autowire(service: 'cache.kept')]
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
     * @param list<Practitioner> $people
     *
     * @return array<string, string|null> by the person's id, or '' for the teacher alone; null where a record is of a moment that has not come: what it says changes by itself then
     */
    public function places(string $name, Teacher $teacher, array $people): array
    {
        $counts = $this->counts->of([$teacher->id, ...array_map(static fn (Practitioner $one): Uuid => $one->id, $people)]);
        $now = $this->clock->now();
        $of = static fn (array $count): ?int => null !== $count['latest'] && $count['latest'] > $now ? null : $count['number'];
        $own = $of($counts[(string) $teacher->id]);
        $places = [];
        foreach ([] === $people ? [''] : array_map(static fn (Practitioner $one): string => (string) $one->id, $people) as $id) {
            $number = '' === $id ? 0 : $of($counts[$id]);
            $places[$id] = null === $own || null === $number ? null
                : hash('sha256', (string) json_encode([$name, $this->code, (string) $teacher->id, $own, $id, $number, Day::of($now), $now->getTimezone()->getName(), $this->locale->getLocale()]));
        }

        return $places;
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
        return $this->made($this->places($name, $practitioner->teacher, [$practitioner])[(string) $practitioner->id], $make);
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

        return null === $item || !$item->isHit() ? null : unserialize((string) gzinflate($item->get()));
    }

    /** @param \DateTimeImmutable|null $until the moment from which it says something else, where there is one */
    public function keep(?string $place, mixed $what, ?\DateTimeImmutable $until = null): void
    {
        if (null !== $place) {
            $latest = $this->clock->now()->modify('+'.self::HOURS.' hours');
            $this->pool->save($this->pool->getItem($place)->set(gzdeflate(serialize($what), 1))->expiresAt(null === $until ? $latest : min($until, $latest)));
        }
    }
}
