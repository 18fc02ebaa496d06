<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\DBAL\Types\Type;
use LucidAscent\App\Database\SealedType;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Draft;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Repository\SealedColumns;
use LucidAscent\App\Security\AtRest;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Uid\Uuid;

/** What is said about somebody's health in words is read by whoever has the database and the key, and nobody else. */
final class SealedWordsTest extends AppTestCase
{
    private const SAID = 'My left knee clicks, ’s hurt since Tuesday. Ünwell.';

    public function testWordsAreSealedInTheDatabaseAndReadOnThePage(): void
    {
        $practitioner = $this->practitioner($this->teacher());
        $at = new \DateTimeImmutable('-1 hour');
        foreach ([
            new PractitionerNote(Uuid::v7(), $practitioner, $at, $at, PractitionerNote::WORDS, self::SAID),
            new Assessment(Uuid::v7(), $practitioner, $practitioner->teacher, $at, false, [], [], [], self::SAID, false,
                0, PainPlace::None, PainKind::Ache),
            new Draft(Uuid::v7(), $practitioner, $practitioner->teacher, 'bench', [
                'note' => self::SAID, 'n' => '1'], $at),
        ] as $record) {
            $this->em()->persist($record);
        }
        $this->em()->flush();
        foreach (['own_word' => 'text', 'assessment' => 'note', 'draft' => 'content'] as $table => $column) {
            $written = (string) $this->em()->getConnection()->fetchOne("SELECT $column FROM $table");
            self::assertStringStartsWith(SealedType::MARK, $written);
            self::assertStringNotContainsString('knee', (string) base64_decode(substr($written,
                strlen(SealedType::MARK)), true));
        }
        $this->em()->clear();
        self::assertSame(['note' => self::SAID, 'n' => '1'], $this->em()->getRepository(Draft::class)->findAll()[0]
            ->content);
        $this->client->loginUser($practitioner->teacher);
        $this->client->request('GET', "/practitioners/$practitioner->id/journal");
        self::assertSelectorTextContains('.journal', self::SAID);
        $this->client->request('GET', "/practitioners/$practitioner->id");
        self::assertSelectorTextContains('main', 'Words that speak of pain', 'What is sealed is heard all the same.');
    }

    public function testNothingReadsTwoSealedTextsAsOneAndAnEmptyOneSaysNothing(): void
    {
        $type = Type::getType(SealedType::NAME);
        $platform = $this->em()->getConnection()->getDatabasePlatform();
        self::assertNotSame($type->convertToDatabaseValue(self::SAID, $platform),
            $type->convertToDatabaseValue(self::SAID, $platform));
        foreach (['', null] as $nothing) {
            self::assertSame($nothing, $type->convertToDatabaseValue($nothing, $platform));
            self::assertSame($nothing, $type->convertToPHPValue($nothing, $platform));
        }
        self::assertSame('of before', $type->convertToPHPValue('of before', $platform));
    }

    public function testWordsThatNoKeyOpensAreAFaultAndNotSilence(): void
    {
        $type = Type::getType(SealedType::NAME);
        $platform = $this->em()->getConnection()->getDatabasePlatform();
        $sealed = $type->convertToDatabaseValue(self::SAID, $platform);
        SealedType::by(static fn (): AtRest => new AtRest(str_repeat('a', 64), 'another'));
        $this->expectExceptionMessageMatches('/key that is not here/');
        $type->convertToPHPValue($sealed, $platform);
    }

    public function testEveryColumnOfWordsIsSealedAnew(): void
    {
        $columns = self::getContainer()->get(SealedColumns::class)->all();
        $names = array_map(static fn (array $one): string => "$one[table].$one[column]", $columns);
        sort($names);
        self::assertSame(['answer.text', 'assessment.note', 'clearance.allows', 'clearance.cleared_by',
            'clearance.profession', 'decision.why', 'draft.content', 'mistake.why', 'own_word.text',
            'practice_plan.changed', 'readiness_check.note', 'seen_rung.why', 'sent_form.typed', 'session_log.items',
            'session_log.note', 'test.note'], $names);
        // Of every entity that is about somebody, each text that has no end is among them.
        foreach ($this->em()->getMetadataFactory()->getAllMetadata() as $of) {
            foreach ($of->fieldMappings as $field) {
                if ('text' === $field->type && $of->hasAssociation('practitioner')) {
                    self::fail($of->getTableName().".$field->columnName lies open.");
                }
            }
        }
    }
}
