<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use LucidAscent\App\Security\AtRest;
use Symfony\Component\Uid\Uuid;

/**
 * Pictures outside the web root, sealed. Only pixels are kept: each is drawn anew, so that place, time and camera are
 * gone.
 */
final readonly class PictureStore
{
    private const MOST_BYTES = 8 << 20;
    private const LEAST_PIXELS = 100;
    private const MOST_PIXELS = 8000;
    /** Larger ones are made smaller: no landmark is surer than this. */
    private const KEPT_PIXELS = 1600;
    private const QUALITY = 85;

    public function __construct(
        private PictureFiles $files,
        private AtRest $atRest,
    ) {
    }

    public function has(Uuid $id): bool
    {
        return $this->files->has((string) $id);
    }

    /**
     * @return array{int, int} width and height in pixels, as kept
     *
     * @throws UnfitPicture when it is no picture, or too small or large
     */
    public function keep(Uuid $id, string $file): array
    {
        if ((int) filesize($file) > self::MOST_BYTES) {
            throw UnfitPicture::size();
        }
        // The file's own first bytes say what it is; its name and what the browser said do not count.
        $size = @getimagesize($file);
        if (false === $size || !in_array($size[2], [IMAGETYPE_JPEG, IMAGETYPE_PNG], true)) {
            throw UnfitPicture::noPicture();
        }
        if (min($size[0], $size[1]) < self::LEAST_PIXELS || max($size[0], $size[1]) > self::MOST_PIXELS) {
            throw UnfitPicture::size();
        }
        $picture = self::whole($file, $size[2]);
        if (false === $picture) {
            throw UnfitPicture::noPicture();
        }
        $share = min(1.0, self::KEPT_PIXELS / max($size[0], $size[1]));
        $kept = imagescale($picture, max(1, (int) round($share * $size[0])), max(1, (int) round($share * $size[1])));
        if (false === $kept) {
            throw UnfitPicture::noPicture();
        }
        $kept = self::upright($kept, $file, $size[2]);
        $this->write(self::jpeg($kept), $id);

        return [imagesx($kept), imagesy($kept)];
    }

    /** The same pixels once more, for another record. */
    public function keepAgain(Uuid $id, Uuid $known): void
    {
        $this->write($this->read($known) ?? throw UnfitPicture::noPicture(), $id);
    }

    /** @return string|null a JPEG; null where it is not there, or nobody here can open it */
    public function read(Uuid $id): ?string
    {
        $bytes = $this->files->read((string) $id);

        // One of before they were sealed lies there as it is.
        return null === $bytes || !AtRest::isSealed($bytes) ? $bytes : $this->atRest->open($bytes, (string) $id);
    }

    /**
     * With the newest key, whatever it was sealed with.
     *
     * @return array{int, int} how many were sealed anew, and how many nobody here can open
     */
    public function sealAgain(): array
    {
        $count = [0, 0];
        foreach ($this->files->names() as $name) {
            $bytes = Uuid::isValid($name) ? $this->read(Uuid::fromString($name)) : null;
            if (null === $bytes) {
                ++$count[1];
            } else {
                $this->write($bytes, Uuid::fromString($name));
                ++$count[0];
            }
        }

        return $count;
    }

    /**
     * One that is cut off shows less than was there, and says so by the way: it is refused, not filled up with grey.
     */
    private static function whole(string $file, int $type): \GdImage|false
    {
        $lenient = ini_set('gd.jpeg_ignore_warning', '0');
        error_clear_last();
        $picture = IMAGETYPE_JPEG === $type ? @imagecreatefromjpeg($file) : @imagecreatefrompng($file);
        $isWhole = null === error_get_last();
        ini_set('gd.jpeg_ignore_warning', (string) $lenient);

        return $isWhole ? $picture : false;
    }

    /** A camera that was held on its side says so beside the pixels; what is kept are pixels alone. */
    private static function upright(\GdImage $picture, string $file, int $type): \GdImage
    {
        $told = IMAGETYPE_JPEG === $type ? @exif_read_data($file) : false;
        $orientation = is_array($told) && is_int($told['Orientation'] ?? null) ? $told['Orientation'] : 1;
        if (in_array($orientation, [2, 4, 5, 7], true)) {
            imageflip($picture, 4 === $orientation ? IMG_FLIP_VERTICAL : IMG_FLIP_HORIZONTAL);
        }
        $turned = match ($orientation) {
            3 => imagerotate($picture, 180, 0),
            5, 8 => imagerotate($picture, 90, 0),
            6, 7 => imagerotate($picture, -90, 0),
            default => $picture,
        };

        return false === $turned ? throw UnfitPicture::noPicture() : $turned;
    }

    private static function jpeg(\GdImage $picture): string
    {
        ob_start();
        $isDrawn = @imagejpeg($picture, null, self::QUALITY);
        $bytes = (string) ob_get_clean();

        return $isDrawn && '' !== $bytes ? $bytes : throw UnfitPicture::notKept();
    }

    /** Never anywhere as it is. */
    private function write(#[\SensitiveParameter] string $jpeg, Uuid $id): void
    {
        $this->files->write((string) $id, $this->atRest->seal($jpeg, (string) $id));
    }

    /** Gone for good; one that is not there is gone already. */
    public function remove(Uuid $id): void
    {
        $this->files->remove((string) $id);
    }
}
