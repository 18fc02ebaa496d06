<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Bench\ReadingText;
use LucidAscent\App\Device\Inclinometer;
use LucidAscent\App\Device\LiveAngle;
use LucidAscent\App\Entity\ToolSettings;
use LucidAscent\App\Form\ToolErrorsForm;
use LucidAscent\App\Json\Failure;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\JsonText;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Testing\PhotoLandmarks;
use LucidAscent\Core\Testing\Repeats;
use LucidAscent\Core\Testing\ToolErrors;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** What instruments say, as the page hears it. */
final class InstrumentController extends TeacherController
{
    /** A connection is ended after so many seconds, and opened anew by the page: it holds a server's worker. */
    private const LONGEST_SECONDS = 20.0;

    public function __construct(private readonly TestRecords $testRecords)
    {
    }

    #[Route('/instruments', 'instruments', methods: ['GET', 'POST'])]
    public function settings(Request $request): Response
    {
        $form = $this->createForm(ToolErrorsForm::class, $this->testRecords->toolErrors($this->teacher())->all(), [
            'entry' => (string) Uuid::v7(),
        ])->handleRequest($request);
        $own = $form->isSubmitted() ? self::ownError($form) : [];
        if ($form->isSubmitted() && $form->isValid()) {
            $entry = $this->entryOf($form);
            $isNew = !$this->records->knows(ToolSettings::class, $entry);
            if ($isNew) {
                $this->recordOnce(
                    $form,
                    new ToolSettings(
                        $entry,
                        $this->teacher(),
                        $this->clock->now(),
                        $own + array_intersect_key($form->getData(), ToolErrors::DEFAULTS),
                    ),
                );
            }
            $this->sayRecorded(
                $isNew,
                'tools.saved',
            );

            return $this->redirectToRoute('instruments');
        }

        return $this->render('instruments.html.twig', ['form' => $form, 'names' => array_keys(ToolErrors::DEFAULTS)]);
    }

    /** @return array<string, float> the error that a teacher's own repeats show, by the tool's name */
    private static function ownError(FormInterface $form): array
    {
        $lines = array_filter(
            array_map(trim(...), explode("\n", (string) $form->get('repeats')->getData())),
            static fn (string $line): bool => '' !== $line,
        );
        if ([] === $lines) {
            return [];
        }
        $legs = [];
        foreach ($lines as $line) {
            $leg = [];
            foreach (preg_split('/[\s;]+/', $line) ?: [] as $text) {
                $leg[] = ReadingText::value($text, 'degrees', 'cm');
            }
            if (in_array(null, $leg, true)) {
                $form
                    ->get('repeats')
                    ->addError(new FormError('tools.repeats.line'));

                return [];
            }
            $numbers = array_values(array_filter($leg, is_float(...)));
            if ([] !== $numbers) {
                $legs[] = $numbers;
            }
        }
        if ([] === $legs) {
            return [];
        }
        try {
            $sem = (new Repeats($legs))->sem();
        } catch (InvalidValue) {
            $form->get('repeats')->addError(new FormError('tools.repeats.twice'));

            return [];
        }

        return [(string) $form->get('repeatsOf')->getData() => min(ToolErrors::MOST, max(ToolErrors::LEAST, $sem))];
    }

    #[Route('/instruments/inclinometer', 'inclinometer_live', methods: ['GET'])]
    public function live(Inclinometer $inclinometer, Request $request): Response
    {
        // Other pages of the same session must not wait for this one to end.
        $request->getSession()->save();

        return new StreamedResponse(static function () use ($inclinometer): void {
            $end = microtime(true) + self::LONGEST_SECONDS;
            foreach (LiveAngle::events($inclinometer) as $event) {
                echo 'data: '.json_encode($event, JSON_THROW_ON_ERROR)."\n\n";
                while (ob_get_level() > 0) {
                    ob_end_flush();
                }
                flush();
                if (1 === connection_aborted() || microtime(true) > $end) {
                    return;
                }
            }
        }, headers: ['Content-Type' => 'text/event-stream', 'X-Accel-Buffering' => 'no']);
    }

    #[Route('/instruments/landmarks', 'landmarks', methods: ['POST'])]
    public function landmarks(Request $request): JsonResponse
    {
        $this->checkToken(BenchController::TOKEN, $request);

        return new JsonResponse(
            Failure::orAnswer(static function () use ($request): array {
                $asked = Fields::of(JsonText::decode($request->getContent()));
                $points = [];
                foreach (PhotoLandmarks::POINTS as $name) {
                    $point = $asked->object('points')->object($name);
                    $points[$name] = [$point->number('x'), $point->number('y')];
                }

                return [
                    'measured' => (new PhotoLandmarks(
                        $points,
                        $asked->number('known'),
                        $asked->number('longerEdge'),
                    ))->measured(),
                ];
            }),
        );
    }
}
