<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\EntryDraft;
use LucidAscent\App\Catalogue\EntryFields;
use LucidAscent\App\Catalogue\EntryText;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Form\EntryForm;
use LucidAscent\App\OwnEntry\OwnCatalogue;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * A teacher's own postures, drills and tests: written anew or adapted, checked like the shipped ones, carried in and
 * out as YAML.
 */
final class OwnEntryController extends TeacherController
{
    private const IMPORT = 'import-entry';

    public function __construct(private readonly OwnCatalogue $own, private readonly Catalogue $catalogue)
    {
    }

    #[Route('/library/own', 'own_entries', methods: ['GET', 'POST'])]
    public function list(Request $request): Response
    {
        $text = null;
        $faults = [];
        $asked = Kind::tryFrom($request->request->getString('kind'));
        $kind = in_array($asked, Kind::own(), true) ? $asked : Kind::Posture;
        $isStale =
            $request->isMethod('POST')
            && !$this->isCsrfTokenValid(self::IMPORT, $request->request->getString('_token'));
        if ($isStale) {
            // The text comes back: it may be long, and nowhere else.
            $text = mb_scrub($request->request->getString('text'));
        } elseif ($request->isMethod('POST')) {
            [$text, $faults] = $this->import($request, $kind);
            if ([] === $faults) {
                return $this->redirectToRoute('own_entries');
            }
        }
        $unreadable = $this->own->unreadable($this->teacher());
        // One that is not read is put right where its text can be seen: it becomes the next version.
        $mended = $request->query->getString('mend');
        if ($request->isMethod('GET') && isset($unreadable[$mended])) {
            [$of, $name] = explode('/', $mended, 2);
            $kind = Kind::from($of);
            $text = $this->own->versions($this->teacher(), $kind, $name)[0]->text ?? '';
            $faults = $unreadable[$mended];
        }

        return $this->render(
            'library/own.html.twig',
            [
                'unreadable' => $unreadable,
                'entries' => $this->own->newest($this->teacher()),
                'token' => self::IMPORT,
                'text' => $text,
                'kind' => $kind,
                'faults' => $faults,
                'stale' => $isStale,
            ],
            new Response(status: [] === $faults && !$isStale ? 200 : 422),
        );
    }

    #[Route(
        '/library/own/{kind}/new',
        'own_new',
        requirements: ['kind' => 'posture|drill|test'],
        methods: ['GET', 'POST'],
    )]
    public function new(Kind $kind, Request $request): Response
    {
        $adapts = $request->query->getString('adapt');
        $base = [];
        if ('' !== $adapts) {
            $base = $this->catalogue->all($kind)[$adapts] ?? throw $this->createNotFoundException();
            $base = array_diff_key($base, ['own' => true, 'adapts' => true]);
            $base['id'] = substr($adapts.'-adapted', 0, 80);
            $base['name'] .= ', adapted';
        }

        return $this->edit($kind, null, $base, '' === $adapts ? null : $adapts, $request);
    }

    #[Route(
        '/library/own/{kind}/{name}/edit',
        'own_edit',
        requirements: ['kind' => 'posture|drill|test'],
        methods: ['GET', 'POST'],
    )]
    public function next(Kind $kind, string $name, Request $request): Response
    {
        $own = $this->own->versions($this->teacher(), $kind, $name)[0] ?? throw $this->createNotFoundException();
        $read = $this->catalogue->all($kind)[$name] ?? null;

        return null === $read
            ? $this->redirectToRoute('own_entries', ['mend' => "$kind->value/$name", '_fragment' => 'bring-in'])
            : $this->edit($kind, $name, $read, $own->adapts, $request);
    }

    #[Route(
        '/library/own/{kind}/{name}.yaml',
        'own_export',
        requirements: ['kind' => 'posture|drill|test'],
        methods: ['GET'],
    )]
    public function export(Kind $kind, string $name): Response
    {
        $own = $this->own->versions($this->teacher(), $kind, $name)[0] ?? throw $this->createNotFoundException();

        return new Response(
            $own->text,
            headers: [
                'Content-Type' => 'application/yaml; charset=utf-8',
                'Content-Disposition' => HeaderUtils::makeDisposition(
                    HeaderUtils::DISPOSITION_ATTACHMENT,
                    "$name.yaml",
                ),
            ],
        );
    }

    /** @param array<string, mixed> $base */
    private function edit(Kind $kind, ?string $name, array $base, ?string $adapts, Request $request): Response
    {
        $rungs = min(
            EntryForm::MOST_RUNGS,
            max(1, count($base['rungs'] ?? [])) + max(0, $request->query->getInt('more')),
        );
        $form = $this->createForm(EntryForm::class, EntryDraft::toForm($kind, $base), [
            'kind' => $kind,
            'rungs' => Kind::Posture === $kind ? $rungs : 0,
            'has_figure' => isset($base['figure']),
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $newest = null === $name ? 0 : $this->own->versions($this->teacher(), $kind, $name)[0]->version ?? 0;
            if ($request->request->getInt('base') !== $newest) {
                $form->addError(
                    new FormError(
                        $this->say(
                            'own.meanwhile',
                            ['version' => $newest],
                        ),
                    ),
                );
            }
            [$entry, $unread] = EntryDraft::fromForm($kind, $form->getData(), $base);
            foreach ($unread as $path => $message) {
                self::fieldOf($form, $path)->addError(new FormError($message));
            }
            if ([] === $unread) {
                $text = OwnCatalogue::dump($entry);
                [, $faults] = $this->own->tried($this->teacher(), $kind, $text, $name);
                foreach ($faults as $fault) {
                    self::fieldOf($form, $fault->path)->addError(new FormError(ucfirst(trim("{$fault->message}"))));
                }
                if ([] === $faults && $form->isValid()) {
                    $kept = $this->own->keep($this->teacher(), $kind, $entry['id'], $text, $adapts);
                    $this->addFlash('done', $this->say('own.saved', ['version' => $kept->version]));

                    return Kind::Drill === $kind
                        ? $this->redirectToRoute('library_drills', ['_fragment' => $kept->name])
                        : $this->redirectToRoute(Kind::Test === $kind ? 'library_test' : 'library_posture', [
                            'id' => $kept->name,
                        ]);
                }
            }
        }

        return $this->render('library/edit.html.twig', [
            'form' => $form,
            'kind' => $kind,
            'name' => $name,
            'adapts' => $adapts,
            'fields' => EntryFields::of($kind),
            'rungFields' => EntryFields::rung(),
            'rungs' => $rungs,
            'most' => EntryForm::MOST_RUNGS,
            'versions' => null === $name ? [] : $this->own->versions($this->teacher(), $kind, $name),
        ]);
    }

    /** The form's field in which a place of the entry is written; the form itself where there is none. */
    private static function fieldOf(FormInterface $form, string $path): FormInterface
    {
        $parts = '' === $path ? [] : explode('/', $path);
        $field = $form;
        if (
            'rungs' === ($parts[0] ?? '')
            && isset($parts[1])
            && $form->has('rungs')
            && $form->get('rungs')->has($parts[1])
        ) {
            $field = $form->get('rungs')->get($parts[1]);
            $parts = array_slice($parts, 2);
        }
        for ($length = count($parts); $length > 0; --$length) {
            $name = str_replace(['/', '-'], '_', implode('/', array_slice($parts, 0, $length)));
            if ($field->has($name)) {
                return $field->get($name);
            }
        }

        return $field->has('name') && $field !== $form ? $field->get('name') : $form;
    }

    /**
     * @return array{string, list<\LucidAscent\App\Catalogue\Fault>} the text as it was sent, and what is wrong with it
     */
    private function import(Request $request, Kind $kind): array
    {
        $file = $request->files->get('file');
        $text =
            $file instanceof UploadedFile && $file->isValid() && $file->getSize() <= EntryText::LONGEST
                ? $file->getContent()
                : $request->request->getString('text');
        if (!mb_check_encoding($text, 'UTF-8')) {
            $text = '';
        }
        // An entry that is here already becomes its next version.
        [$entry] = $this->own->tried($this->teacher(), $kind, $text, null);
        $id = is_string($entry['id'] ?? null) ? $entry['id'] : '';
        $known = '' !== $id && [] !== $this->own->versions($this->teacher(), $kind, $id);
        [, $faults] = $this->own->tried($this->teacher(), $kind, $text, $known ? $id : null);
        if ([] === $faults) {
            $kept = $this->own->keep($this->teacher(), $kind, $id, $text, null);
            $this->addFlash(
                'done',
                $this->say('own.saved.of', [
                    'name' => $kept->name,
                    'version' => $kept->version,
                ]),
            );
        }

        return [$text, $faults];
    }
}
