<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Uid\Uuid;

/** Pictures outside the web root. Only pixels are kept: each is drawn anew, so that place, time and camera are gone. */
final readonly class PictureStore
{
    private const MOST_BYTES = 8 << 20;
    private const LEAST_PIXELS = 100;
    private const MOST_PIXELS = 8000;
    /** Larger ones are made smaller: no landmark is surer than this. */
    private const KEPT_PIXELS = 1600;
    private const QUALITY = 85;

    public function __construct(#[Autowire('%env(PICTURE_DIR)%')] private string $folder)
    {
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
        $picture = IMAGETYPE_JPEG === $size[2] ? @imagecreatefromjpeg($file) : @imagecreatefrompng($file);
        if (false === $picture) {
            throw UnfitPicture::noPicture();
        }
        $share = min(1.0, self::KEPT_PIXELS / max($size[0], $size[1]));
        $kept = imagescale($picture, max(1, (int) round($share * $size[0])), max(1, (int) round($share * $size[1])));
        if (false === $kept) {
            throw UnfitPicture::noPicture();
        }
        if (!is_dir($this->folder)) {
            mkdir($this->folder, 0o700, true);
        }
        imagejpeg($kept, $this->path($id), self::QUALITY);

        return [imagesx($kept), imagesy($kept)];
    }

    public function path(Uuid $id): string
    {
        return $this->folder.'/'.$id->toRfc4122().'.jpg';
    }
}
