<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Device\UnfitPicture;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Uid\Uuid;

final class PictureStoreTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/pictures-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    /** Red at the top left and green at its right, as somebody sees it, whichever way the camera was held. */
    #[TestWith([1])]
    #[TestWith([2])]
    #[TestWith([3])]
    #[TestWith([4])]
    #[TestWith([5])]
    #[TestWith([6])]
    #[TestWith([7])]
    #[TestWith([8])]
    public function testAPictureIsKeptUpright(int $orientation): void
    {
        // As the EXIF standard numbers them: where the corner that is seen at the top left lies in the file, and the
        // one to its right.
        [$topLeft, $topRight] = [1 => [[0, 0], [1, 0]], 2 => [[1, 0], [0, 0]], 3 => [[1, 1], [0, 1]],
            4 => [[0, 1], [1, 1]], 5 => [[0, 0], [0, 1]], 6 => [[0, 1], [0, 0]], 7 => [[1, 1], [1, 0]],
            8 => [[1, 0], [1, 1]]][$orientation];
        [$width, $height] = $orientation > 4 ? [200, 300] : [300, 200];
        $picture = imagecreatetruecolor($width, $height);
        $at = static function (array $corner, int $red, int $green) use ($picture, $width, $height): void {
            [$x, $y] = [$corner[0] * $width / 2, $corner[1] * $height / 2];
            imagefilledrectangle($picture, (int) $x, (int) $y, (int) ($x + $width / 2), (int) ($y + $height / 2),
                (int) imagecolorallocate($picture, $red, $green, 0));
        };
        $at($topLeft, 250, 0);
        $at($topRight, 0, 250);
        $tiff = "II*\0\x08\0\0\0\x01\0\x12\x01\x03\0\x01\0\0\0".pack('v', $orientation)."\0\0\0\0\0\0";
        $exif = "Exif\0\0".$tiff;
        $jpeg = self::bytes($picture);
        $id = Uuid::v7();
        $size = $this->store()->keep($id, $this->file(substr($jpeg, 0, 2)."\xff\xe1".pack('n',
            2 + strlen($exif)).$exif.substr($jpeg, 2)));
        self::assertSame([300, 200], $size);
        $kept = imagecreatefromjpeg("$this->folder/$id.jpg");
        self::assertNotFalse($kept);
        $colour = static fn (int $x, int $y): array => array_map(static fn (int $part): bool => $part > 128,
            array_slice(array_values(imagecolorsforindex($kept, (int) imagecolorat($kept, $x, $y))), 0, 2));
        self::assertSame([[true, false], [false, true]], [$colour(60, 40), $colour(240, 40)]);
    }

    #[TestWith(['jpeg'])]
    #[TestWith(['png'])]
    public function testOneThatIsCutOffIsRefused(string $format): void
    {
        ob_start();
        'png' === $format ? imagepng(self::noise()) : imagejpeg(self::noise());
        $bytes = (string) ob_get_clean();
        $this->store()->keep(Uuid::v7(), $this->file($bytes));
        $this->expectException(UnfitPicture::class);
        $this->store()->keep(Uuid::v7(), $this->file(substr($bytes, 0, (int) (strlen($bytes) / 2))));
    }

    public function testOneThatFindsNoRoomIsNotKept(): void
    {
        $full = '/dev/full';
        $store = new PictureStore(is_writable($full) ? "$full/pictures" : '/proc/none');
        try {
            $store->keep(Uuid::v7(), $this->file(self::bytes(self::noise())));
            self::fail('There is no room.');
        } catch (UnfitPicture $e) {
            self::assertStringContainsString('picture.no_room', $e->getMessage());
        }
    }

    private function store(): PictureStore
    {
        return new PictureStore($this->folder);
    }

    private function file(string $bytes): string
    {
        file_put_contents("$this->folder/sent", $bytes);

        return "$this->folder/sent";
    }

    private static function noise(): \GdImage
    {
        $picture = imagecreatetruecolor(300, 200);
        for ($i = 0; $i < 3000; ++$i) {
            imagesetpixel($picture, ($i * 7919) % 300, ($i * 104729) % 200, ($i * 15485863) & 0xFFFFFF);
        }

        return $picture;
    }

    private static function bytes(\GdImage $picture): string
    {
        ob_start();
        imagejpeg($picture, null, 95);

        return (string) ob_get_clean();
    }
}
