<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\AnswerGiven;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\QuestionAsked;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Uid\Uuid;

/** What a practitioner asks, and what is answered. */
final class QuestionTest extends AppTestCase
{
    private Teacher $teacher;
    private Practitioner $person;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->person = $this->practitioner($this->teacher);
        $this->home = "/practitioners/{$this->person->id}";
        $this->client->loginUser($this->teacher);
    }

    public function testAnAnswerIsWordsAFigureOrAMarkAndIsKeptOnce(): void
    {
        $this->asked('Is the knee too high?', true);
        $this->client->request('GET', "$this->home/questions");
        self::assertSelectorTextContains('.asked', 'Is the knee too high?');
        self::assertSelectorExists('.asked-picture img');
        self::assertCount(2, $this->client->getCrawler()
            ->filter('a[href*="/ladder/half-lotus/lying-half-lotus/picture/"][href*="?of="]'), 'It may be measured.');
        $send = fn (array $typed): mixed => $this->client->submitForm('Send answer', $typed);
        foreach ([[[], 'Write an answer, choose a posture, or set a mark.'],
            [['mark_x' => '10'], 'A mark needs two numbers'], [['mark_x' => '10', 'mark_y' => '101'], 'A mark needs'],
            [['mark_x' => 'here', 'mark_y' => '5'], 'A mark needs'],
            [['text' => str_repeat('x', 2001)], 'at most']] as [$typed, $says]) {
            $send($typed + ['text' => '', 'mark_x' => '', 'mark_y' => '']);
            self::assertResponseStatusCodeSame(422);
            self::assertSelectorTextContains('.fault', $says);
        }
        self::assertSame(0, $this->howMany(AnswerGiven::class));
        $form = $this->client->getCrawler()->selectButton('Send answer')->form(['text' => 'A little lower.',
            'figure' => 'half-lotus/lying-half-lotus', 'mark_x' => '40', 'mark_y' => '62,5']);
        $this->client->submit($form);
        $this->client->submit($form);
        self::assertSame(1, $this->howMany(AnswerGiven::class));
        $answer = $this->em()->getRepository(AnswerGiven::class)->findAll()[0];
        self::assertSame([[0.4, 0.625], 'half-lotus', 'lying-half-lotus'], [$answer->mark, $answer->posture,
            $answer->rung]);
        $this->client->request('GET', "$this->home/questions");
        self::assertSelectorTextContains('.own-answer', 'A little lower.');
        self::assertSelectorExists('.asked-picture circle');
    }

    public function testNobodyAnswersWhatAnotherPersonAsked(): void
    {
        $this->asked('Mine?', false);
        $other = $this->practitioner($this->teacher, true, 'Another');
        $this->client->request('GET', "$this->home/questions");
        $form = $this->client->getCrawler()->selectButton('Send answer')->form(['text' => 'Yes.']);
        $this->client->request('POST', "/practitioners/$other->id/questions", $form->getPhpValues());
        self::assertResponseStatusCodeSame(404);
        $this->client->request('POST', "$this->home/questions", ['question' => 'none'] + $form->getPhpValues());
        self::assertResponseStatusCodeSame(404);
        $this->client->request('POST', "$this->home/questions", ['_token' => 'none'] + $form->getPhpValues());
        self::assertResponseStatusCodeSame(403);
        $this->client->loginUser($this->teacher('another@studio.example'));
        $this->client->request('GET', "$this->home/questions");
        self::assertResponseStatusCodeSame(404);
        self::assertSame(0, $this->howMany(AnswerGiven::class));
    }

    private function asked(string $text, bool $withPicture): Uuid
    {
        $id = Uuid::v7();
        $now = new \DateTimeImmutable();
        $this->em()->persist(new PractitionerNote($id, $this->person, $now, new \DateTimeImmutable('today'),
            PractitionerNote::WORDS, $text));
        $this->em()->persist(new FromPractitioner($id, $this->person, $now, FromPractitioner::WORDS));
        $picture = null;
        if ($withPicture) {
            $picture = Uuid::v7();
            $this->em()->persist(new StoredPicture($picture, $this->person, $this->teacher, $now,
                StoredPicture::QUESTION, 400, 300));
        }
        $this->em()->persist(new QuestionAsked($id, $this->person, $now, 'half-lotus', 'lying-half-lotus', $picture));
        $this->em()->flush();

        return $id;
    }
}
