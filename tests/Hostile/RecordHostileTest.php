<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Hostile;

use LucidAscent\App\Demo\LoadPeople;
use LucidAscent\App\Demo\MadeUpStudio;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\Record\InvalidRecord;
use LucidAscent\App\Exchange\Record\KeepRecord;
use LucidAscent\App\Exchange\Record\RecordDocument;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Tests\App\AppTestCase;

/** A record in which anything may be anything: it is refused whole or in part, and no page breaks on what was kept. */
final class RecordHostileTest extends AppTestCase
{
    private const TIMES = 25;
    private const SEED = 991;
    private const JUNK = [null, true, -1, 1e9, 0.5, '', 'x', "\u{202e}", '2026-13-45', [], [[]], ['a' => 1], 'none',
        '99999999-9999-9999-9999-999999999999'];

    public function testNothingInARecordBreaksAPage(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(self::SEED));
        $person = self::getContainer()->get(LoadPeople::class)->of($this->teacher(), [MadeUpStudio::people()[0]])[0];
        $this->client->loginUser($person->teacher);
        $this->client->request('GET', "/practitioners/$person->id/plans/new");
        $this->client->submitForm('Make the plan', ['plan[weeks]' => '1']);
        $this->em()->clear();
        $person = $this->em()->createQuery(
            'SELECT p, t FROM '.Practitioner::class.' p JOIN p.teacher t WHERE p.id = :id',
        )->setParameter('id', $person->id, 'uuid')->getSingleResult();
        $record = json_decode(RecordDocument::json(self::getContainer()->get(RecordDocument::class)->of($person)),
            true);
        $kept = 0;
        for ($i = 0; $i < self::TIMES; ++$i) {
            $teacher = $this->teacher("hostile$i@studio.example");
            $spoilt = $record;
            for ($j = $random->getInt(1, 6); $j > 0; --$j) {
                $this->spoil($spoilt, $random, 0 === $j % 2 ? ['tests', 'bodies', 'assessments', 'checks', 'seen',
                    'readings', 'plans'][$random->getInt(0, 6)] : null);
            }
            $says = 'seed '.self::SEED.", record $i";
            try {
                self::getContainer()->get(AssessAnswer::class)->of(Fields::of($spoilt));
            } catch (InvalidValue) {
                // It is said, and is no failure.
            }
            $this->em()->clear();
            try {
                $answer = self::getContainer()->get(KeepRecord::class)
                    ->of($spoilt, $this->em()->find(Teacher::class, $teacher->id) ?? throw new \LogicException());
            } catch (InvalidRecord) {
                continue;
            }
            ++$kept;
            $this->em()->clear();
            $this->client->loginUser($this->em()->find(Teacher::class, $teacher->id) ?? throw new \LogicException());
            foreach (['/', "/practitioners/$answer[person]", "/practitioners/$answer[person]/journal",
                "/practitioners/$answer[person]/progress", "/practitioners/$answer[person]/poses/half-lotus",
                "/practitioners/$answer[person]/record.json", "/practitioners/$answer[person]/plans/newest"] as $page) {
                $this->client->request('GET', $page);
                if (str_ends_with($page, 'newest') && str_contains((string) $this->client->getResponse()
                    ->headers->get('Location'), '/plans/0')) {
                    $this->client->followRedirect();
                }
                self::assertContains($this->client->getResponse()->getStatusCode(), [200, 302],
                    "$says, $page: ".json_encode($answer['refused']));
            }
        }
        self::assertGreaterThan(self::TIMES / 3, $kept);
    }

    /** One value, anywhere, becomes something else; now and then it goes, or is there twice. */
    private function spoil(mixed &$value, \Random\Randomizer $random, ?string $first): void
    {
        if (!is_array($value) || [] === $value || 0 === $random->getInt(0, 9) && null === $first) {
            $value = self::JUNK[$random->getInt(0, count(self::JUNK) - 1)];

            return;
        }
        $key = $first ?? array_keys($value)[$random->getInt(0, count($value) - 1)];
        if (!isset($value[$key])) {
            return;
        }
        if (0 === $random->getInt(0, 11)) {
            unset($value[$key]);
        } elseif (array_is_list($value) && 0 === $random->getInt(0, 11)) {
            $value[] = $value[$key];
        } else {
            $this->spoil($value[$key], $random, null);
        }
    }
}
