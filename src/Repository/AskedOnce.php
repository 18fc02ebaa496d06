<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Events;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Studio;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Uid\Uuid;

/** What is on record of a person: asked once a request, as long as nothing is written. */
#[AsDoctrineListener(Events::postFlush), AsDoctrineListener(Events::onClear)]
final class AskedOnce
{
    /** @var array<string, array<class-string, list<object>>> what was asked already of people, by their ids */
    private array $asked = [];

    /** @var array{string, mixed}|null its name, and what it is */
    private ?array $made = null;

    public function __construct(private readonly EntityManagerInterface $em, private readonly AboutPerson $aboutPerson)
    {
    }

    /** What was written changes the answers: nothing that was asked before counts any more. */
    public function postFlush(): void
    {
        $this->forget();
    }

    public function onClear(): void
    {
        $this->forget();
    }

    public function forget(): void
    {
        $this->asked = [];
        $this->made = null;
    }

    /**
     * Lets go of what was read of people, so that there is room for those who come after them. Accounts and people
     * stay; for a page that writes none of what it has read.
     */
    public function letGo(): void
    {
        foreach ($this->em->getUnitOfWork()->getIdentityMap() as $class => $known) {
            if (!in_array($class, [Teacher::class, Studio::class, Practitioner::class], true)) {
                array_map($this->em->detach(...), $known);
            }
        }
        $this->forget();
    }

    /**
     * What was made of it last: whoever asks the same again before anything is written has the same.
     *
     * @template T
     *
     * @param \Closure(): T $make
     *
     * @return T
     */
    public function lastMade(string $name, \Closure $make): mixed
    {
        if ($name !== ($this->made[0] ?? null)) {
            $this->made = [$name, $make()];
        }

        return $this->made[1];
    }

    /**
     * What is on record of a person: asked once a request, as long as nothing is written.
     *
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return list<T> the newest first
     */
    public function about(Practitioner $practitioner, string $class): array
    {
        $written = $this->asked[(string) $practitioner->id] ??= $this->aboutPerson->of($practitioner);

        return array_values(
            array_filter($written[$class] ?? [], static fn (object $one): bool => $one instanceof $class),
        );
    }

    /**
     * What is on record of somebody who is in no database, for whoever asks of that person.
     *
     * @param array<class-string, list<object>> $written by kind, the newest first
     */
    public function suppose(Practitioner $practitioner, array $written): void
    {
        $this->asked[(string) $practitioner->id] = $written;
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     *
     * @throws NotFoundHttpException when there is none of this practitioner's
     */
    public function ofPractitioner(string $class, Practitioner $practitioner, string $id): object
    {
        $found = Uuid::isValid($id)
            ? $this->em
                ->createQuery("SELECT o FROM $class o WHERE o.practitioner = :p AND o.id = :id")
                ->setParameter('p', $practitioner->id, 'uuid')
                ->setParameter('id', Uuid::fromString($id), 'uuid')
                ->getOneOrNullResult()
            : null;

        return $found instanceof $class ? $found : throw new NotFoundHttpException();
    }
}
