<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\InvalidCatalogue;
use LucidAscent\App\Catalogue\LadderFile;
use LucidAscent\Core\Readiness\GateOutcome;
use PHPUnit\Framework\TestCase;

final class CatalogueTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../catalogue';

    public function testTheHalfLotusLadderFollowsItsSchemaAndClimbs(): void
    {
        $ladder = LadderFile::ladder(LadderFile::read(self::FOLDER.'/half-lotus.yaml', self::FOLDER.'/schema/ladder.json'));
        self::assertCount(7, $ladder->rungs);
        $highest = GateOutcome::NotNow;
        foreach ($ladder->rungs as $rung) {
            self::assertTrue($rung->gate->allows($highest), "$rung->id asks for less than the rung below it");
            $highest = $rung->gate;
        }
        foreach (GateOutcome::cases() as $outcome) {
            self::assertTrue($outcome->allows($ladder->rung($ladder->entries[$outcome->value])->gate));
        }
    }

    public function testAFaultIsNamedWithItsFileAndPlace(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'ladder');
        self::assertIsString($file);
        file_put_contents($file, str_replace('gate: may-try', 'gate: anything', (string) file_get_contents(self::FOLDER.'/half-lotus.yaml')));
        try {
            LadderFile::read($file, self::FOLDER.'/schema/ladder.json');
            self::fail('A ladder that breaks its schema was taken.');
        } catch (InvalidCatalogue $e) {
            self::assertStringContainsString(basename($file), $e->getMessage());
            self::assertStringContainsString('rungs/6/gate', $e->getMessage());
        } finally {
            unlink($file);
        }
    }
}
