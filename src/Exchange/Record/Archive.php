<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Figure\FigurePictures;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Plan\PlanCalendar;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Repository\CarriedIds;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\ReadPoses;
use Psr\Clock\ClockInterface;

/**
 * All of a person in one file: the record, its table, the plan as a calendar, the wanted poses as figures, the kept
 * pictures.
 */
final readonly class Archive
{
    public function __construct(
        private PictureRecords $pictureRecords,
        private PlanRecords $planRecords,
        private RecordDocument $document,
        private RecordTable $table,
        private ReadPerson $person,
        private StoredPlans $kept,
        private Wanted $wanted,
        private FigurePictures $figures,
        private PictureStore $pictures,
        private CarriedIds $carried,
        private ClockInterface $clock,
    ) {
    }

    /** @return string the bytes of a zip file */
    public function of(Practitioner $practitioner): string
    {
        $record = $this->document->of($practitioner);
        // Whatever it leaves when it fails, nobody else reads.
        $folder = sys_get_temp_dir().'/ascent-'.bin2hex(random_bytes(8));
        $file = "$folder/record.zip";
        try {
            $zip = new \ZipArchive();
            if (!mkdir($folder, 0o700) || true !== $zip->open($file, \ZipArchive::CREATE)) {
                throw new \RuntimeException('No archive can be written.');
            }
            $zip->addFromString('record.json', RecordDocument::json($record)."\n");
            $zip->addFromString('readings-and-logs.csv', $this->table->csv($record));
            $plans = $this->planRecords->plans($practitioner);
            if ([] !== $plans) {
                $zip->addFromString(
                    'plan.ics',
                    PlanCalendar::of(
                        (string) $practitioner->id,
                        array_map($this->kept->calendar(...), $plans),
                        $practitioner->teacher->local($this->clock->now()),
                        'calendar.practice',
                    ),
                );
            }
            $poses = $this->person->now($practitioner);
            foreach (null === $poses ? [] : $this->drawn($poses, $practitioner) as $name => $svg) {
                $zip->addFromString("figures/$name.svg", $svg);
            }
            $names = $this->carried->of($practitioner);
            foreach ($this->pictureRecords->pictures($practitioner) as $picture) {
                // The file is the row's; its name in the archive is the record's.
                $jpeg = $this->pictures->read($picture->id);
                if (null !== $jpeg) {
                    $zip->addFromString('pictures/'.($names[(string) $picture->id] ?? $picture->id).'.jpg', $jpeg);
                }
            }
            if (!$zip->close()) {
                throw new \RuntimeException('No archive can be written.');
            }

            return (string) file_get_contents($file);
        } finally {
            array_map(unlink(...), glob("$folder/*") ?: []);
            @rmdir($folder);
        }
    }

    /** @return int how many pictures are on record and not where pictures are kept */
    public function missingPictures(Practitioner $practitioner): int
    {
        return count(
            array_filter(
                $this->pictureRecords->pictures($practitioner),
                fn (StoredPicture $one): bool => !$this->pictures->has($one->id),
            ),
        );
    }

    /** @return iterable<string, string> where each side stands of each wanted pose, as SVG */
    private function drawn(ReadPoses $poses, Practitioner $practitioner): iterable
    {
        foreach ($this->wanted->of($practitioner) as $pose) {
            foreach (Side::cases() as $side) {
                $now = $poses->of($pose, $side)->onLadder()->rung;
                if (null !== $now) {
                    yield "$pose-$side->value" => $this->figures->rung(
                        $pose,
                        $now->rung->id,
                        'large',
                        $side->value,
                        $poses->person->proportions,
                        null,
                        $now->pose,
                    );
                }
            }
        }
    }
}
