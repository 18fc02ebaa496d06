<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

/** Where pictures lie, sealed: files without a folder, by name. */
interface PictureFiles
{
    /** @throws PicturesAway when nobody can say */
    public function has(string $name): bool;

    /**
     * @return string|null null where there is none of that name
     *
     * @throws PicturesAway when nobody can say
     */
    public function read(string $name): ?string;

    /**
     * Whole, or not at all.
     *
     * @throws UnfitPicture when there is no room for it
     */
    public function write(string $name, string $bytes): void;

    /**
     * Gone for good; one that is not there is gone already.
     *
     * @throws PicturesAway when it may be there still
     */
    public function remove(string $name): void;

    /**
     * @return iterable<string>
     *
     * @throws PicturesAway when nobody can say
     */
    public function names(): iterable;
}
