<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\Person\Journal;
use LucidAscent\App\Person\JournalKind;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Everything that was written down about a person, in order. */
final class JournalController extends TeacherController
{
    private const EACH = 50;

    #[Route('/practitioners/{id}/journal', 'journal', methods: ['GET'])]
    #[CachedPage(['kind', 'words', 'page'])]
    public function show(string $id, Request $request, Journal $journal, Catalogue $catalogue): Response
    {
        $practitioner = $this->practitioner($id);
        $asked = $request->query->all();
        $kinds = array_values(
            array_filter(
                array_map(
                    static fn (mixed $kind): ?JournalKind => is_string($kind) ? JournalKind::tryFrom($kind) : null,
                    (array) ($asked['kind'] ?? []),
                ),
            ),
        );
        $withWords = '1' === ($asked['words'] ?? '');
        $entries = $journal->of($practitioner, $kinds, $withWords);
        $pages = max(1, (int) ceil(count($entries) / self::EACH));
        $page = max(1, min($pages, $request->query->getInt('page', 1)));

        return $this->render('practitioner/journal.html.twig', [
            'practitioner' => $practitioner,
            'entries' => array_slice($entries, self::EACH * ($page - 1), self::EACH),
            'all' => count($entries),
            'kinds' => array_map(static fn (JournalKind $kind): string => $kind->value, $kinds),
            'withWords' => $withWords,
            'page' => $page,
            'pages' => $pages,
            'tests' => $catalogue->names(Kind::Test),
            'names' => $catalogue->names(Kind::Posture) + $catalogue->names(Kind::Drill),
        ]);
    }
}
