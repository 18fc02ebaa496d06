<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Exchange\Record\Archive;
use LucidAscent\App\Exchange\Record\InvalidRecord;
use LucidAscent\App\Exchange\Record\KeepRecord;
use LucidAscent\App\Exchange\Record\RecordDocument;
use LucidAscent\App\Exchange\Record\RecordFile;
use LucidAscent\App\Exchange\Record\RecordTable;
use LucidAscent\App\Exchange\Record\TableFile;
use LucidAscent\App\Exchange\Record\TableReadings;
use LucidAscent\App\Form\RecordForm;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Security\SecurityLog;
use LucidAscent\App\Security\SignedInBrowser;
use LucidAscent\App\Security\ToSignIn;
use LucidAscent\Core\Calendar\Day;
use Symfony\Component\Form\FormError;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What leaves with a person, and what comes in with one. */
final class HandOverController extends TeacherController
{
    public const TOKEN = 'table';

    public function __construct(private readonly PlanRecords $planRecords)
    {
    }
    private const TYPES = [
        'json' => 'application/json',
        'csv' => 'text/csv; charset=utf-8',
        'zip' => 'application/zip',
    ];

    #[Route('/practitioners/{id}/hand-over', 'hand_over', methods: ['GET'])]
    #[CachedPage]
    public function show(string $id): Response
    {
        $practitioner = $this->practitioner($id);

        return $this->render('handover/show.html.twig', [
            'practitioner' => $practitioner,
            'plan' => $this->planRecords->newestPlan($practitioner),
            'body' => $this->records->body($practitioner),
        ]);
    }

    #[Route(
        '/practitioners/{id}/record.{format}',
        'record',
        requirements: ['format' => 'json|csv|zip'],
        methods: ['GET'],
    )]
    public function record(
        string $id,
        string $format,
        RecordDocument $document,
        RecordTable $table,
        Archive $archive,
        SignedInBrowser $browser,
        SecurityLog $log,
        Request $request,
    ): Response {
        $practitioner = $this->practitioner($id);
        if (!$browser->isProved($request)) {
            return $this->redirectToRoute('password_again', [ToSignIn::BACK => $request->getPathInfo()]);
        }
        $log->write('exported');
        $bytes = match ($format) {
            'zip' => $archive->of($practitioner),
            'csv' => $table->csv($document->of($practitioner)),
            default => RecordDocument::json($document->of($practitioner))."\n",
        };
        // A name on a file is read by whoever sees the folder: the day is enough.
        $name = sprintf('record-%s.%s', Day::of($this->clock->now()), $format);

        return new Response(
            $bytes,
            headers: [
                'Content-Type' => self::TYPES[$format],
                'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, $name),
            ],
        );
    }

    /** A table of readings: which column is what, which lines cannot be read and why, and then the others. */
    #[Route('/practitioners/{id}/table', 'table_read', methods: ['GET', 'POST'])]
    public function table(string $id, Request $request, TableReadings $readings, KeepRecord $keep): Response
    {
        $practitioner = $this->practitioner($id);
        $file = $request->files->get('file');
        $text =
            $file instanceof UploadedFile && $file->isValid()
                ? (string) file_get_contents($file->getPathname())
                : $request->request->getString('text');
        $table = $fault = $answer = null;
        $meanings = $faults = [];
        if ($request->isMethod('POST')) {
            $this->checkToken(self::TOKEN, $request);
            try {
                $table = TableFile::of($text);
                $asked = $request->request->all('meaning');
                $meanings =
                    [] === $asked
                        ? $readings->guessed($table->columns)
                        : array_map(
                            static fn (int $i): string => is_string($asked[$i] ?? null) ? $asked[$i] : '',
                            array_keys($table->columns),
                        );
                [$record, $faults, $of] = $readings->record($table, $meanings, $practitioner, $this->teacher());
                $isTried = 'read' !== $request->request->getString('do');
                $answer = $keep->of($record, $this->teacher(), $isTried, isWrittenHere: true);
                foreach ($answer['refused'] as $one) {
                    foreach ($of[$one['what']] ?? [] as $line) {
                        $faults[$line] = $one['because'];
                    }
                }
                ksort($faults);
                if (!$isTried) {
                    $this->addFlash('done', $this->say('table.done', ['count' => $answer['added']]));
                    if ([] === $faults) {
                        return $this->redirectToRoute('practitioner', ['id' => $id]);
                    }
                }
            } catch (InvalidRecord $e) {
                $fault = $e->getMessage();
            }
        }

        return $this->render(
            'handover/table.html.twig',
            [
                'practitioner' => $practitioner,
                'table' => $table,
                'text' => null === $table ? '' : $text,
                'meanings' => $meanings,
                'choices' => [
                    '' => '',
                    ...array_combine(TableReadings::MEANINGS, TableReadings::MEANINGS),
                    ...array_combine($readings->measures(), $readings->measures()),
                ],
                'faults' => $faults,
                'answer' => $answer,
                'fault' => $fault,
                'token' => self::TOKEN,
            ],
            new Response(status: null === $fault ? 200 : 422),
        );
    }

    #[Route('/records/read', 'record_read', methods: ['GET', 'POST'])]
    public function read(Request $request, RecordFile $file): Response
    {
        $form = $this->createForm(RecordForm::class)->handleRequest($request);
        $answer = null;
        if ($form->isSubmitted() && $form->isValid()) {
            $sent = $form->get('file')->getData();
            try {
                $answer =
                    $sent instanceof UploadedFile
                        ? $file->read($sent->getPathname(), $this->teacher(), (bool) $form->get('tried')->getData())
                        : null;
            } catch (InvalidRecord $e) {
                $form->get('file')->addError(new FormError($e->getMessage()));
            }
        }

        return $this->render('handover/read.html.twig', [
            'form' => $form,
            'answer' => $answer,
            'isTried' => $form->isSubmitted() && (bool) $form->get('tried')->getData(),
        ]);
    }
}
