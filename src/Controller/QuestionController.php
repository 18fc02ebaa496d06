<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\AnswerGiven;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Json\SentEntry;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Repository\QuestionRecords;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What a practitioner has asked, and the teacher's answers: in words, with a figure, with a mark on the picture. */
final class QuestionController extends TeacherController
{
    private const TOKEN = 'answer';
    private const SHOWN = 40;

    public function __construct(
        private readonly QuestionRecords $questions,
        private readonly Catalogue $catalogue,
        private readonly Wanted $wanted,
    ) {
    }

    #[Route('/practitioners/{id}/questions', 'questions', methods: ['GET', 'POST'])]
    public function threads(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $typed = $request->isMethod('POST') ? $request->request->all() : [];
        $fault = null;
        if ($request->isMethod('POST')) {
            $this->checkToken(self::TOKEN, $request);
            $words =
                $this->questions->words($practitioner, $request->request->getString('question')) ??
                throw $this->createNotFoundException();
            $text = trim($request->request->getString('text'));
            [$posture, $rung] = explode('/', $request->request->getString('figure'), 2) + [1 => ''];
            $isFigure = null !== $this->catalogue->named("$posture/$rung");
            $mark = self::mark($request);
            $fault = match (true) {
                mb_strlen($text) > PractitionerNote::LONGEST => $this->say('class.text.long', [
                    'limit' => PractitionerNote::LONGEST,
                ]),
                false === $mark => 'answer.mark.wrong',
                '' === $text && !$isFigure && null === $mark => 'answer.missing',
                default => null,
            };
            if (null === $fault) {
                $entry = SentEntry::id($request->request->getString('entry'));
                $isNew = !$this->records->knows(AnswerGiven::class, $entry)
                    && $this->records->addOnce(
                        new AnswerGiven(
                            $entry,
                            $practitioner,
                            $this->teacher(),
                            $this->clock->now(),
                            $words->id,
                            $text,
                            $isFigure ? $posture : '',
                            $isFigure ? $rung : '',
                            $mark,
                        ),
                    );
                $this->sayRecorded($isNew, 'answer.done');

                return $this->redirectToRoute('questions', ['id' => $id, '_fragment' => "q-$words->id"]);
            }
        }
        $threads = $this->questions->threads($practitioner, self::SHOWN);

        return $this->render(
            'practitioner/questions.html.twig',
            [
                'practitioner' => $practitioner,
                'threads' => $threads,
                'figures' => $this->figures(
                    array_values(
                        array_unique([
                            ...array_filter(
                                array_map(
                                    static fn (array $one): string => $one['about']->posture ?? '',
                                    $threads,
                                ),
                                static fn (string $posture): bool => '' !== $posture,
                            ),
                            ...$this->wanted->of($practitioner),
                        ]),
                    ),
                ),
                'body' => $this->records->body($practitioner)?->proportions(),
                'typed' => $typed,
                'fault' => $fault,
                'token' => self::TOKEN,
            ],
            new Response(status: null === $fault ? 200 : 422),
        );
    }

    /**
     * @param list<string> $postures
     *
     * @return array<string, array<string, string>> "posture/rung" to the rung's name, by the posture's name
     */
    private function figures(array $postures): array
    {
        $figures = [];
        foreach ($postures as $id) {
            $posture = $this->catalogue->postures()[$id] ?? null;
            if (null !== $posture) {
                foreach ($posture->shapes() as $shape) {
                    $figures[$posture->name]["$id/$shape->id"] = $shape->name;
                }
            }
        }

        return $figures;
    }

    /**
     * @return array{float, float}|false|null shares of width and height; null where none was set, false where it is
     *     wrong
     */
    private static function mark(Request $request): array|false|null
    {
        $mark = [];
        foreach (['x', 'y'] as $name) {
            $percent = str_replace(',', '.', trim($request->request->getString("mark_$name")));
            if ('' !== $percent) {
                $mark[] = is_numeric($percent) && $percent >= 0 && $percent <= 100 ? (float) $percent / 100.0 : null;
            }
        }

        return match (true) {
            [] === $mark => null,
            2 !== count($mark) || null === $mark[0] || null === $mark[1] => false,
            default => [$mark[0], $mark[1]],
        };
    }
}
