<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Exchange\Record\Archive;
use LucidAscent\App\Exchange\Record\InvalidRecord;
use LucidAscent\App\Exchange\Record\RecordDocument;
use LucidAscent\App\Exchange\Record\RecordFile;
use LucidAscent\App\Exchange\Record\RecordTable;
use LucidAscent\App\Form\RecordForm;
use LucidAscent\App\Kept\Kept;
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
    private const TYPES = ['json' => 'application/json', 'csv' => 'text/csv; charset=utf-8', 'zip' => 'application/zip'];

    #[Route('/practitioners/{id}/hand-over', 'hand_over', methods: ['GET'])]
    #[Kept]
    public function show(string $id): Response
    {
        $practitioner = $this->practitioner($id);

        return $this->render('handover/show.html.twig', ['practitioner' => $practitioner, 'plan' => $this->records->newestPlan($practitioner), 'body' => $this->records->body($practitioner)]);
    }

    #[Route('/practitioners/{id}/record.{format}', 'record', requirements: ['format' => 'json|csv|zip'], methods: ['GET'])]
    public function record(string $id, string $format, RecordDocument $document, RecordTable $table, Archive $archive): Response
    {
        $practitioner = $this->practitioner($id);
        $bytes = match ($format) {
            'zip' => $archive->of($practitioner),
            'csv' => $table->csv($document->of($practitioner)),
            default => RecordDocument::json($document->of($practitioner))."\n",
        };
        // A name on a file is read by whoever sees the folder: the day is enough.
        $name = sprintf('record-%s.%s', Day::of($this->clock->now()), $format);

        return new Response($bytes, headers: ['Content-Type' => self::TYPES[$format], 'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, $name)]);
    }

    #[Route('/records/read', 'record_read', methods: ['GET', 'POST'])]
    public function read(Request $request, RecordFile $file): Response
    {
        $form = $this->createForm(RecordForm::class)->handleRequest($request);
        $answer = null;
        if ($form->isSubmitted() && $form->isValid()) {
            $sent = $form->get('file')->getData();
            try {
                $answer = $sent instanceof UploadedFile ? $file->read($sent->getPathname(), $this->teacher(), (bool) $form->get('tried')->getData()) : null;
            } catch (InvalidRecord $e) {
                $form->get('file')->addError(new FormError($e->getMessage()));
            }
        }

        return $this->render('handover/read.html.twig', ['form' => $form, 'answer' => $answer, 'isTried' => $form->isSubmitted() && (bool) $form->get('tried')->getData()]);
    }
}
