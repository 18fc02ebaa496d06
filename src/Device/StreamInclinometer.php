<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** An inclinometer at the other end of a plain stream. A broken line is taken up again. */
final readonly class StreamInclinometer implements Inclinometer
{
    private const WAIT_SECONDS = 0.5;

    /** @param string $address such as tcp://127.0.0.1:33181; empty for none */
    public function __construct(#[Autowire('%env(INCLINOMETER)%')] private string $address)
    {
    }

    public function samples(): iterable
    {
        while (true) {
            $stream =
                '' === $this->address
                    ? false
                    : @stream_socket_client($this->address, $code, $message, self::WAIT_SECONDS);
            if (false === $stream) {
                usleep((int) (self::WAIT_SECONDS * 1e6));
                yield null;
                continue;
            }
            stream_set_blocking($stream, false);
            yield from self::lines($stream);
            fclose($stream);
            yield null;
            usleep((int) (self::WAIT_SECONDS * 1e6));
        }
    }

    /**
     * @param resource $stream
     *
     * @return iterable<AngleSample|false|null>
     */
    private static function lines(mixed $stream): iterable
    {
        $buffer = '';
        while (!feof($stream)) {
            $read = [$stream];
            $none = null;
            if (0 === stream_select($read, $none, $none, 0, (int) (self::WAIT_SECONDS * 1e6))) {
                yield null;
                continue;
            }
            $buffer .= (string) fread($stream, 4096);
            while (false !== ($end = strpos($buffer, "\n"))) {
                yield InclinometerLine::read(substr($buffer, 0, $end)) ?? false;
                $buffer = substr($buffer, $end + 1);
            }
            if (strlen($buffer) > InclinometerLine::LONGEST) {
                // No line is that long: what is there is noise.
                $buffer = '';
                yield false;
            }
        }
    }
}
