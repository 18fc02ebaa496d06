<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A backup opens with its key alone, and only as it was sealed. */
final class SealedFileTest extends TestCase
{
    private string $folder;
    private string $public;
    private string $secret;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/sealed-'.bin2hex(random_bytes(6));
        mkdir($this->folder, 0o700);
        [$this->public, $this->secret] = explode(' ', trim(self::tool('keys')[1]));
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob("$this->folder/*") ?: []);
        rmdir($this->folder);
    }

    /** @return iterable<string, array{int}> */
    public static function sizes(): iterable
    {
        foreach ([0, 1, 65535, 65536, 65537, 131072, 300000] as $bytes) {
            yield "$bytes bytes" => [$bytes];
        }
    }

    #[DataProvider('sizes')]
    public function testWhatIsSealedOpensAsItWas(int $bytes): void
    {
        $plain = $bytes > 0 ? random_bytes($bytes) : '';
        $sealed = $this->seal($plain);
        self::assertTrue($bytes < 20 || !str_contains($sealed, substr($plain, 0, 20)));
        $spaced = strtoupper(chunk_split($this->secret, 4, ' '));
        self::assertSame($plain, $this->opened($sealed, $spaced), 'As it was shown, in groups of four.');
        self::assertSame($plain, $this->opened($sealed, $this->secret));
    }

    public function testNothingElseOpens(): void
    {
        $sealed = $this->seal(random_bytes(200000));
        [, $other] = explode(' ', trim(self::tool('keys')[1]));
        foreach ([$other, $this->public, 'no key', ''] as $key) {
            self::assertNull($this->opened($sealed, $key), $key);
        }
        $pieces = 22 + 80 + 24;
        foreach ([0, 30, 110, $pieces + 5, $pieces + 65553 + 100, strlen($sealed) - 1] as $at) {
            $changed = $sealed;
            $changed[$at] = chr(ord($changed[$at]) ^ 1);
            self::assertNull($this->opened($changed, $this->secret), "changed at $at");
        }
        $piece = 65536 + 17;
        foreach (['cut short' => substr($sealed, 0, -1),
            'without its last piece' => substr($sealed, 0, $pieces + $piece),
            'without its first' => substr($sealed, 0, $pieces).substr($sealed, $pieces + $piece),
            'its beginning alone' => substr($sealed, 0, 60), 'longer' => $sealed.'x', 'nothing' => '',
            'two pieces changed about' => substr($sealed, 0, $pieces).substr($sealed, $pieces + $piece, $piece)
                .substr($sealed, $pieces, $piece).substr($sealed, $pieces + 2 * $piece)] as $how => $changed) {
            self::assertNull($this->opened($changed, $this->secret), $how);
        }
    }

    private function seal(string $plain): string
    {
        file_put_contents("$this->folder/plain", $plain);
        self::assertSame([0, '', ''], self::tool("seal $this->public $this->folder/plain $this->folder/sealed"));

        return (string) file_get_contents("$this->folder/sealed");
    }

    /** @return string|null null where it did not open */
    private function opened(string $sealed, string $key): ?string
    {
        file_put_contents("$this->folder/sealed", $sealed);
        [$status, , $error] = self::tool("open $this->folder/sealed $this->folder/opened", $key);
        self::assertSame(0 === $status, '' === $error);
        self::assertStringNotContainsString('PHP', $error, 'In a line, and no fault of ours.');

        return 0 === $status ? (string) file_get_contents("$this->folder/opened") : null;
    }

    /** @return array{int, string, string} its status, and what it said on either side */
    private static function tool(string $arguments, string $input = ''): array
    {
        $process = proc_open('exec php '.escapeshellarg(dirname(__DIR__, 2).'/bin/lib/seal.php')." $arguments",
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $said = [(string) stream_get_contents($pipes[1]), (string) stream_get_contents($pipes[2])];

        return [proc_close($process), ...$said];
    }
}
