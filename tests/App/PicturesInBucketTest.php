<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Device\PictureFiles;
use LucidAscent\App\Device\PicturesAway;
use LucidAscent\App\Device\PicturesInFolder;
use LucidAscent\App\Device\UnfitPicture;
use LucidAscent\App\Device\WherePicturesLie;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** What is asked of the place where pictures lie, of both that there are: a folder, and a store that speaks S3. */
final class PicturesInBucketTest extends TestCase
{
    private const KEY = 'somebody';
    private const SECRET = 'with a/secret+of their own';

    private static string $folder;
    private static Process $store;
    private static int $port;

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/s3-'.bin2hex(random_bytes(6));
        mkdir(self::$folder);
        $free = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \LogicException('There is no port.');
        self::$port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);
        self::$store = new Process(
            ['php', '-S', '127.0.0.1:'.self::$port, dirname(__DIR__).'/StandIn/s3.php'],
            env: ['S3_FOLDER' => self::$folder, 'S3_KEY' => self::KEY, 'S3_SECRET' => self::SECRET],
        );
        self::$store->start();
        for ($i = 0; $i < 100 && false === @fsockopen('127.0.0.1', self::$port); ++$i) {
            usleep(50_000);
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$store->stop(1);
        (new Process(['rm', '-rf', self::$folder]))->mustRun();
    }

    protected function setUp(): void
    {
        array_map(static fn (string $one): Process => (new Process(['rm', '-rf', self::$folder."/$one"]))->mustRun(),
            ['pictures', 'faults', 'here']);
        mkdir(self::$folder.'/pictures');
    }

    #[TestWith(['s3'])]
    #[TestWith(['folder'])]
    public function testWhatIsWrittenIsReadUntilItIsRemoved(string $where): void
    {
        $files = 's3' === $where ? $this->bucket() : WherePicturesLie::of(self::$folder.'/here');
        self::assertSame([], [...$files->names()]);
        $bytes = random_bytes(300_000);
        foreach (['a', 'b', 'c', 'd', 'e'] as $name) {
            $files->write($name, $name.$bytes);
        }
        $files->write('b', 'anew');
        self::assertSame('a'.$bytes, $files->read('a'));
        self::assertSame('anew', $files->read('b'));
        $names = [...$files->names()];
        sort($names);
        self::assertSame(['a', 'b', 'c', 'd', 'e'], $names);
        self::assertTrue($files->has('c'));
        $files->remove('c');
        $files->remove('c');
        self::assertFalse($files->has('c'));
        self::assertNull($files->read('c'));
        self::assertNull($files->read('never'));
    }

    public function testABucketMayBeSharedByFolder(): void
    {
        [$one, $other] = [$this->bucket('/studio'), $this->bucket('/studio-two')];
        $one->write('a', 'of one');
        $other->write('a', 'of the other');
        self::assertSame('of one', $one->read('a'));
        self::assertSame(['a'], [...$one->names()]);
        $one->remove('a');
        self::assertSame('of the other', $other->read('a'));
    }

    /** What fails once is asked again. */
    #[TestWith(['500'])]
    #[TestWith(['503'])]
    #[TestWith(['cut'])]
    public function testAFaultThatPassesIsNotSeen(string $fault): void
    {
        $files = $this->bucket();
        $files->write('a', str_repeat('whole', 100));
        $this->faults($fault);
        self::assertSame(str_repeat('whole', 100), $files->read('a'));
        if ('cut' !== $fault) {
            $this->faults($fault);
            $files->write('b', 'kept');
            self::assertSame('kept', $files->read('b'));
        }
    }

    public function testAFaultThatStaysIsNoPictureThatIsGone(): void
    {
        $files = $this->bucket();
        $files->write('a', 'there');
        foreach ([
            fn (): ?string => $files->read('a'),
            fn (): bool => $files->has('a'),
            function () use ($files): void {
                $files->remove('a');
            },
            fn (): array => [...$files->names()],
        ] as $ask) {
            $this->faults(...array_fill(0, 3, '500'));
            try {
                $ask();
                self::fail('It was answered.');
            } catch (PicturesAway) {
            }
        }
        $this->faults(...array_fill(0, 3, '500'));
        try {
            $files->write('a', 'other');
            self::fail('It was kept.');
        } catch (UnfitPicture) {
        }
        $this->faults();
        self::assertSame('there', $files->read('a'));
    }

    #[TestWith(['/none', self::SECRET])]
    #[TestWith(['/pictures', 'another secret'])]
    public function testWhereThereIsNoSuchStoreNothingIsGone(string $path, string $secret): void
    {
        $files = $this->bucket(secret: $secret, path: $path);
        $this->expectException(PicturesAway::class);
        $files->read('a');
    }

    public function testAStoreThatIsNotThereIsNotWaitedForLong(): void
    {
        $files = WherePicturesLie::of('s3://a:b@127.0.0.1:9/pictures?tls=0');
        $this->expectException(PicturesAway::class);
        $files->read('a');
    }

    #[TestWith(['s3://127.0.0.1/pictures'])]
    #[TestWith(['s3://key@127.0.0.1/pictures'])]
    #[TestWith(['s3://key:secret@127.0.0.1/'])]
    public function testAnAddressThatIsNoneIsRefused(string $address): void
    {
        $this->expectException(\InvalidArgumentException::class);
        WherePicturesLie::of($address);
    }

    public function testWhatCannotBeRemovedFromAFolderIsNotSaidToBeGone(): void
    {
        mkdir(self::$folder.'/here/a.jpg', recursive: true);
        rmdir(self::$folder.'/here/a.jpg');
        $files = new PicturesInFolder(self::$folder.'/here');
        $files->remove('a');
        $proc = new PicturesInFolder('/proc/self');
        self::assertNull($proc->read('status'));
        symlink('/proc/self/status', self::$folder.'/here/b.jpg');
        self::assertNotNull($files->read('b'));
    }

    private function bucket(
        string $folder = '',
        string $secret = self::SECRET,
        string $path = '/pictures',
    ): PictureFiles {
        return WherePicturesLie::of(
            sprintf('s3://%s:%s@127.0.0.1:%d%s%s?tls=0', self::KEY, rawurlencode($secret), self::$port, $path, $folder),
        );
    }

    private function faults(string ...$faults): void
    {
        file_put_contents(self::$folder.'/faults', implode("\n", $faults));
    }
}
