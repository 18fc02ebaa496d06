<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

/** Pictures in a folder of this machine, or one that several machines have mounted. */
final readonly class PicturesInFolder implements PictureFiles
{
    private const END = '.jpg';

    public function __construct(private string $folder)
    {
    }

    public function has(string $name): bool
    {
        return is_file($this->path($name));
    }

    public function read(string $name): ?string
    {
        if (!$this->has($name)) {
            return null;
        }
        $bytes = @file_get_contents($this->path($name));

        return false === $bytes ? throw new PicturesAway('A picture is there and cannot be read.') : $bytes;
    }

    public function write(string $name, string $bytes): void
    {
        if (!is_dir($this->folder) && !@mkdir($this->folder, 0o700, true) && !is_dir($this->folder)) {
            throw UnfitPicture::notKept();
        }
        $path = $this->path($name);
        // Two that write the same have a file each until it is whole.
        $part = $path.'.'.bin2hex(random_bytes(4)).'.part';
        $isWritten = strlen($bytes) === @file_put_contents($part, $bytes);
        if (!$isWritten || !@rename($part, $path)) {
            @unlink($part);

            throw UnfitPicture::notKept();
        }
    }

    public function remove(string $name): void
    {
        $isGone = @unlink($this->path($name));
        if (!$isGone && $this->has($name)) {
            throw new PicturesAway('A picture cannot be removed.');
        }
    }

    public function names(): iterable
    {
        foreach (glob($this->folder.'/*'.self::END) ?: [] as $path) {
            yield basename($path, self::END);
        }
    }

    private function path(string $name): string
    {
        return $this->folder.'/'.$name.self::END;
    }
}
