<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use LucidAscent\App\Entity\Practitioner;
use Symfony\Component\Uid\Uuid;
use Symfony\Contracts\Service\ResetInterface;

/** Of whom something was asked for while one request is answered, and who asked where no teacher is signed in. */
final class AskedPeople implements ResetInterface
{
    /** @var array<string, Practitioner> by id */
    private array $people = [];
    private ?Practitioner $own = null;
    private ?Uuid $device = null;

    public function add(Practitioner ...$people): void
    {
        foreach ($people as $one) {
            $this->people[(string) $one->id] = $one;
        }
    }

    /** A person on the own page. */
    public function own(Practitioner $person, Uuid $device): void
    {
        $this->own = $person;
        $this->device = $device;
        $this->add($person);
    }

    /** @return list<Practitioner> */
    public function all(): array
    {
        return array_values($this->people);
    }

    public function whoAsks(): ?Practitioner
    {
        return $this->own;
    }

    public function device(): ?Uuid
    {
        return $this->device;
    }

    public function reset(): void
    {
        $this->people = [];
        $this->own = $this->device = null;
    }
}
