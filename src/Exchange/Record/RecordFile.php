<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Device\UnfitPicture;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Json\JsonText;
use LucidAscent\App\Repository\CarriedIds;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\App\Repository\Records;
use Symfony\Component\Uid\Uuid;

/** A file that somebody handed over: a record, or an archive with one and its pictures in it. */
final readonly class RecordFile
{
    /** No more of an archive is unpacked, in bytes: what is small when it is packed may be of any size. */
    private const MOST_RECORD = 16 << 20;
    /** Of a file as it is handed over. */
    public const MOST_FILE = 256 << 20;
    private const MOST_PICTURE = 8 << 20;

    public function __construct(
        private PictureRecords $pictureRecords,
        private KeepRecord $keep,
        private Records $records,
        private CarriedIds $carried,
        private PictureStore $pictures,
    ) {
    }

    /**
     * @return array{added: int, known: int, refused: list<array{what: string, because: string}>, person: string|null,
     *     unknown: list<string>}
     *
     * @throws InvalidRecord when it is none
     */
    public function read(string $path, Teacher $teacher, bool $isTried): array
    {
        $zip = new \ZipArchive();
        $isArchive = true === $zip->open($path, \ZipArchive::RDONLY);
        $text = $isArchive
            ? $this->unpacked($zip, 'record.json', self::MOST_RECORD)
            : file_get_contents($path, length: self::MOST_RECORD + 1);
        $answer = $this->keep->of(JsonText::decode((string) $text, self::MOST_RECORD), $teacher, $isTried);
        $person =
            $isTried || null === $answer['person'] ? null : $this->records->practitioner($teacher, $answer['person']);
        if ($isArchive && null !== $person) {
            $this->keepPictures($zip, $person);
        }

        return $answer;
    }

    /** Each is drawn anew, as if it had just been sent: nothing but what it shows is kept. */
    private function keepPictures(\ZipArchive $zip, Practitioner $practitioner): void
    {
        $names = $this->carried->of($practitioner);
        foreach ($this->pictureRecords->pictures($practitioner) as $picture) {
            $bytes = $this->pictures->has($picture->id)
                ? null
                : $this->unpacked(
                    $zip,
                    'pictures/'.($names[(string) $picture->id] ?? $picture->id).'.jpg',
                    self::MOST_PICTURE,
                );
            if (null !== $bytes) {
                $this->keepPicture($picture->id, $bytes);
            }
        }
    }

    private function keepPicture(Uuid $id, string $bytes): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'ascent');
        try {
            file_put_contents($file, $bytes);
            $this->pictures->keep($id, $file);
        } catch (UnfitPicture) {
            // The record says that there is a picture; this one shows nothing.
        } finally {
            @unlink($file);
        }
    }

    private function unpacked(\ZipArchive $zip, string $name, int $most): ?string
    {
        $stat = $zip->statName($name);
        $bytes = false === $stat || $stat['size'] > $most ? false : $zip->getFromName($name, $most);

        return false === $bytes ? null : $bytes;
    }
}
