<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Command\DemoCommand;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Demo\MadeUpStudio;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Entity\Teacher;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;

final class CommandsTest extends AppTestCase
{
    public function testTheCatalogueIsListedWithItsCounts(): void
    {
        $tester = $this->tester('ascent:catalogue');
        self::assertSame(0, $tester->execute(['--check' => true]));
        $listed = json_decode($tester->getDisplay(), true);
        foreach (['tests', 'postures', 'schools', 'cautions'] as $kind) {
            self::assertCount($listed['counts'][$kind], $listed[$kind]);
            foreach ($listed[$kind] as $id) {
                self::assertMatchesRegularExpression('/^[a-z][a-z0-9]*(-[a-z0-9]+)*$/', $id);
            }
        }
        foreach (['soles-together', 'shins-stacked', 'wide-legs', 'frog', 'leg-raise', 'heel-to-seat'] as $test) {
            self::assertContains($test, $listed['tests']);
        }
    }

    public function testTheDemoIsLoadedOnceAndItsReadingsAgree(): void
    {
        $_SERVER['DEMO_PASSWORD'] = 'a demo password';
        $tester = $this->tester('ascent:demo');
        self::assertSame(0, $tester->execute([]));
        self::assertSame(0, $tester->execute([]));
        self::assertStringContainsString('nothing was loaded', $tester->getDisplay());
        self::assertSame(3, $this->howMany(Teacher::class), 'An owner, a colleague and an assistant.');
        self::assertSame(8, $this->howMany(Practitioner::class));
        self::assertSame(array_sum(array_map(static fn (array $one): int => count($one['assessed']),
            MadeUpStudio::people())), $this->howMany(Assessment::class));
        self::assertSame(count(MadeUpStudio::CLASSES), $this->howMany(StudioClass::class));
        $this->em()->clear();
        $teacher = $this->em()->getRepository(Teacher::class)->findOneBy([
            'email' => DemoCommand::EMAIL,
        ]);
        self::assertInstanceOf(Teacher::class, $teacher);
        $this->client->loginUser($teacher);
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('main', 'Half lotus');
        self::assertSelectorTextContains('main', 'On hold');
        foreach ($this->em()->getRepository(Practitioner::class)->findAll() as $practitioner) {
            foreach (['', '/poses/half-lotus', '/ladder', '/walk/pigeon', '/lab', '/body', '/route', '/clearance',
                '/progress', '/journal'] as $page) {
                $this->client->request('GET', "/practitioners/$practitioner->id$page");
                self::assertResponseIsSuccessful();
            }
            $now = self::getContainer()->get(\LucidAscent\App\Person\ReadPerson::class)->now($practitioner);
            self::assertNotNull($now);
            foreach (\LucidAscent\Core\Body\Side::cases() as $side) {
                foreach (\LucidAscent\Core\LegChain\Ability::cases() as $ability) {
                    self::assertSame([], $now->person->capacities($side)->get($ability)->against ?? [],
                        "$practitioner->name, $side->value $ability->value");
                }
            }
        }
        unset($_SERVER['DEMO_PASSWORD']);
    }

    public function testWithoutAPasswordThereIsNoDemo(): void
    {
        $_SERVER['DEMO_PASSWORD'] = '';
        self::assertSame(1, $this->tester('ascent:demo')->execute([]));
        self::assertSame(0, $this->howMany(Teacher::class));
        unset($_SERVER['DEMO_PASSWORD']);
    }

    public function testMomentsKeepTheirMicroseconds(): void
    {
        $platform = $this->em()->getConnection()->getDatabasePlatform();
        $type = new MomentType();
        $moment = new \DateTimeImmutable('2026-03-02 10:00:00.123456', new \DateTimeZone('Europe/Paris'));
        $stored = $type->convertToDatabaseValue($moment, $platform);
        self::assertSame('2026-03-02 09:00:00.123456', $stored);
        self::assertEquals($moment, $type->convertToPHPValue($stored, $platform));
        self::assertNull($type->convertToPHPValue(null, $platform));
        $this->expectException(\Doctrine\DBAL\Types\ConversionException::class);
        $type->convertToPHPValue('yesterday', $platform);
    }

    private function tester(string $name): CommandTester
    {
        self::assertNotNull(self::$kernel);

        return new CommandTester((new Application(self::$kernel))->find($name));
    }
}
