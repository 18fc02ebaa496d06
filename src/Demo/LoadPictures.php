<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Figure\ContactFigures;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Physique;
use Symfony\Component\Uid\Uuid;

/** Pictures of made-up people in a test, drawn from what was read in it. */
final readonly class LoadPictures
{
    private const TEST = 'soles-together';

    public function __construct(private EntityManagerInterface $em, private PictureStore $store)
    {
    }

    /** @param array<string, float> $numbers of the left side, as the test reads them, in cm */
    public function of(
        Practitioner $practitioner,
        Proportions $proportions,
        array $numbers,
        \DateTimeImmutable $at,
    ): void {
        $drawn = ContactFigures::of(
            self::TEST,
            $numbers,
            Physique::of($proportions),
            Side::Left,
        ) ?? throw new \LogicException('No figure of soles together.');
        $file = (string) tempnam(sys_get_temp_dir(), 'demo');
        try {
            file_put_contents($file, PaintFigure::png($drawn, 'front'));
            $id = Uuid::v7();
            [$width, $height] = $this->store->keep($id, $file);
        } finally {
            unlink($file);
        }
        $this->em->persist(
            new StoredPicture($id, $practitioner, $practitioner->teacher, $at, self::TEST, $width, $height),
        );
    }
}
