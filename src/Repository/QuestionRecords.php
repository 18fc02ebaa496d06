<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\AnswerGiven;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\QuestionAsked;
use LucidAscent\App\Entity\StoredPicture;
use Symfony\Component\Uid\Uuid;

/** What practitioners ask, and what they are answered. */
final readonly class QuestionRecords
{
    public function __construct(
        private EntityManagerInterface $em,
        private PictureRecords $pictures,
        private AccessRecords $own,
    ) {
    }

    /**
     * @return list<array{words: PractitionerNote, about: QuestionAsked|null, picture: StoredPicture|null,
     *     answers: list<AnswerGiven>}> the newest first, each with its answers in their order
     */
    public function threads(Practitioner $practitioner, int $most): array
    {
        $about = $answers = $pictures = [];
        foreach ($this->of(QuestionAsked::class, $practitioner) as $one) {
            $about[(string) $one->id] = $one;
        }
        foreach ($this->of(AnswerGiven::class, $practitioner) as $one) {
            $answers[(string) $one->question][] = $one;
        }
        foreach ([] === $about ? [] : $this->pictures->pictures($practitioner) as $picture) {
            $pictures[(string) $picture->id] = $picture;
        }

        return array_map(
            static fn (PractitionerNote $one): array => [
                'words' => $one,
                'about' => $about[(string) $one->id] ?? null,
                'picture' => $pictures[(string) ($about[(string) $one->id] ?? null)?->picture] ?? null,
                'answers' => $answers[(string) $one->id] ?? [],
            ],
            $this->own->words($practitioner, $most),
        );
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return list<T> in their order
     */
    private function of(string $class, Practitioner $practitioner): array
    {
        return $this->em
            ->createQuery("SELECT x FROM $class x WHERE x.practitioner = :p ORDER BY x.at, x.id")
            ->setParameter('p', $practitioner->id, 'uuid')
            ->getResult();
    }

    /** Words of this person by their id; null where there are none. */
    public function words(Practitioner $practitioner, string $id): ?PractitionerNote
    {
        $words = Uuid::isValid($id) ? $this->em->find(PractitionerNote::class, Uuid::fromString($id)) : null;

        return null !== $words
            && PractitionerNote::WORDS === $words->kind
            && $words->practitioner->id->equals($practitioner->id)
                ? $words
                : null;
    }
}
