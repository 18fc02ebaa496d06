<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\Contact;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\OtherLeg;
use LucidAscent\Core\LegChain\Contact\SetUp;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\Posture\RungDemand;

/** A rung's leg position as the catalogue writes it down. */
final class CatalogueDemand implements RungDemand
{
    private readonly string $name;
    private readonly string $called;
    private readonly bool $isFree;
    /** @var array{bool, array<string, float>}|null as stood() has it: to solve a leg once is enough */
    private ?array $stood = null;

    /**
     * @param class-string<Contact> $contact
     * @param array<string, float|int> $values the position's own numbers, in cm and degrees
     */
    private function __construct(private readonly string $contact, private readonly array $values)
    {
        $this->called = Contacts::name($contact);
        $this->name = $contact.' '.json_encode($values, JSON_THROW_ON_ERROR);
        try {
            $this->isFree = $this->posture(StandardBody::openHips(), StandardBody::upper()) instanceof FreeKnee;
        } catch (\DomainException) {
            // What is wrong with its numbers is said when it is checked.
            $this->isFree = false;
        }
    }

    /**
     * @param array<string, float|int> $values
     *
     * @return self|null null when there is no such contact
     */
    public static function find(string $contact, array $values): ?self
    {
        $class = Contacts::find($contact);

        return null === $class ? null : new self($class, $values);
    }

    public function posture(Capacity $capacity, UpperLengths $upper): Posture
    {
        return $this->contact::of(new SetUp(Fields::of($this->values), capacity: $capacity, upper: $upper));
    }

    /**
     * What it loads, as a standard body with open hips would be in it.
     *
     * @return list<string>
     */
    public function loads(): array
    {
        [$isByLeg, $angles] = $this->stood();

        return $isByLeg ? Load::ofLeg($angles) : Load::ofThresholds($this->angles());
    }

    /** @return array<string, float> degrees by ability that it asks of that body */
    public function angles(): array
    {
        $asked = [];
        foreach ($this->stood()[1] as $name => $degrees) {
            [$ability, $sign] = $this->ability(Component::from($name)) ?? [null, 1.0];
            if (null !== $ability) {
                $asked[$ability->value] = $sign * $degrees;
            }
        }

        return $asked;
    }

    /**
     * That body in it.
     *
     * @return array{bool, array<string, float>} whether the whole leg is read, and degrees by component
     */
    private function stood(): array
    {
        if (null === $this->stood) {
            $posture = $this->posture(StandardBody::openHips(), StandardBody::upper());
            $leg = StandardBody::leg();
            $isByLeg = $posture instanceof ChainReading;
            $this->stood = [$isByLeg, $isByLeg ? $posture->pose($leg)->angles->toArray() : $posture->angles($leg)];
        }

        return $this->stood;
    }

    /** @return list<string> what it loads of the other leg, by how that one lies meanwhile */
    public function otherLoads(): array
    {
        return Contacts::about($this->contact)->other->carriesFoot() ? [Load::KneeFolded->value] : [];
    }

    /** Whether both legs are asked for their part in it. */
    public function usesBothLegs(): bool
    {
        return Contacts::about($this->contact)->other->isUsed();
    }

    /** Whether both legs do the same in it. */
    public function isSymmetric(): bool
    {
        return OtherLeg::Alike === Contacts::about($this->contact)->other;
    }

    public function isFree(): bool
    {
        return $this->isFree;
    }

    public function contact(): string
    {
        return $this->called;
    }

    public function values(): array
    {
        return array_map(floatval(...), $this->values);
    }

    public function name(): string
    {
        return $this->name;
    }

    public function ability(Component $component): ?array
    {
        return Contacts::about($this->contact)->ability($component);
    }
}
