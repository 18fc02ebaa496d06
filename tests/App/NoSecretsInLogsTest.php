<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Security\NoSecretsInLogs;
use Monolog\Level;
use Monolog\LogRecord;
use PHPUnit\Framework\TestCase;

final class NoSecretsInLogsTest extends TestCase
{
    public function testTheAddressOfACalendarIsInNoLog(): void
    {
        $secret = str_repeat('0f', 24);
        $record = (new NoSecretsInLogs())(new LogRecord(new \DateTimeImmutable(), 'app', Level::Error,
            "GET /feed/$secret.ics", ['request_uri' => "http://localhost/feed/$secret.ics",
                'route_parameters' => ['secret' => $secret, 'n' => 3]], ['url' => "/feed/$secret.ics"]));
        self::assertStringNotContainsString($secret, (string) json_encode($record->toArray()));
        self::assertSame(['secret' => '…', 'n' => 3], $record->context['route_parameters']);
        self::assertSame('GET /feed/….ics', $record->message);
    }
}
