<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Device\PicturesInFolder;
use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Device\UnfitPicture;
use LucidAscent\App\Security\AtRest;
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
        $kept = imagecreatefromstring((string) $this->store()->read($id));
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
        $store = new PictureStore(new PicturesInFolder(is_writable($full) ? "$full/pictures" : '/proc/none'),
            self::atRest());
        try {
            $store->keep(Uuid::v7(), $this->file(self::bytes(self::noise())));
            self::fail('There is no room.');
        } catch (UnfitPicture $e) {
            self::assertStringContainsString('picture.no_room', $e->getMessage());
        }
    }

    public function testItLiesOnTheDiskSealedAndUnderItsOwnNameAlone(): void
    {
        [$one, $other] = [Uuid::v7(), Uuid::v7()];
        $this->store()->keep($one, $this->file(self::bytes(self::noise())));
        $this->store()->keepAgain($other, $one);
        self::assertSame("\xff\xd8\xff", substr((string) $this->store()->read($one), 0, 3));
        self::assertSame($this->store()->read($one), $this->store()->read($other));
        foreach ([$one, $other] as $id) {
            self::assertStringNotContainsString('JFIF', (string) file_get_contents("$this->folder/$id.jpg"));
        }
        copy("$this->folder/$one.jpg", "$this->folder/$other.jpg");
        self::assertNull($this->store()->read($other), "One that was laid in another's place.");
        $bytes = (string) file_get_contents("$this->folder/$one.jpg");
        foreach ([2, 10, 60, strlen($bytes) - 1] as $at) {
            $changed = $bytes;
            $changed[$at] = chr(ord($changed[$at]) ^ 1);
            file_put_contents("$this->folder/$one.jpg", $changed);
            self::assertNotSame("\xff\xd8", substr((string) $this->store()->read($one), 0, 2), "changed at $at");
        }
        self::assertNull($this->store()->read(Uuid::v7()));
    }

    public function testTheKeyIsTurned(): void
    {
        [$old, $new] = [str_repeat('0a', 32), str_repeat('0b', 32)];
        [$sealed, $plain, $lost] = [Uuid::v7(), Uuid::v7(), Uuid::v7()];
        $this->store(self::atRest($old))->keep($sealed, $this->file(self::bytes(self::noise())));
        file_put_contents("$this->folder/$plain.jpg", self::bytes(self::noise()));
        $both = $this->store(self::atRest("$new $old"));
        self::assertNotNull($both->read($sealed));
        self::assertNotNull($both->read($plain), 'One of before they were sealed.');
        self::assertSame([2, 0], $both->sealAgain());
        self::assertSame([2, 0], $both->sealAgain(), 'Ended half way, it is begun again.');
        $left = $this->store(self::atRest($new));
        self::assertNotNull($left->read($sealed));
        self::assertNotNull($left->read($plain));
        self::assertNull($this->store(self::atRest($old))->read($sealed), 'The old key opens nothing any more.');
        self::assertNull($this->store()->read($plain));
        $this->store(self::atRest($old))->keep($lost, $this->file(self::bytes(self::noise())));
        $before = (string) file_get_contents("$this->folder/$lost.jpg");
        self::assertSame([2, 1], $left->sealAgain(), 'What nobody here can open is left as it is.');
        self::assertSame($before, file_get_contents("$this->folder/$lost.jpg"));
        $this->expectException(\InvalidArgumentException::class);
        self::atRest('0a');
    }

    private function store(?AtRest $keys = null): PictureStore
    {
        return new PictureStore(new PicturesInFolder($this->folder), $keys ?? self::atRest());
    }

    private static function atRest(string $keys = ''): AtRest
    {
        return new AtRest($keys, 'a secret');
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
