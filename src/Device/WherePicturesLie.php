<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

/** As the settings say. */
final readonly class WherePicturesLie
{
    public static function of(#[\SensitiveParameter] string $setting): PictureFiles
    {
        return str_starts_with($setting, 's3://')
            ? PicturesInBucket::at($setting)
            : new PicturesInFolder($setting);
    }
}
