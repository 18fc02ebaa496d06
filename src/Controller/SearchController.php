<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Guide\Guide;
use LucidAscent\App\Security\RouteVoter;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

use function Symfony\Component\String\u;

/** People, poses and pages by any part of their names, from anywhere. */
final class SearchController extends TeacherController
{
    private const LONGEST = 80;
    /** So many of a kind are shown. */
    private const MOST = 20;
    /** Pages by the message that names them. */
    private const PAGES = [
        'nav.today' => 'on_the_mat',
        'person.new' => 'practitioner_new',
        'import.title' => 'record_read',
        'nav.library' => 'library',
        'nav.screen' => 'screen',
        'class.list' => 'classes',
        'class.new' => 'class_new',
        'nav.tools' => 'instruments',
        'nav.guide' => 'guide',
        'guide.words' => 'guide_words',
        'guide.keys' => 'guide_keys',
        'account.title' => 'account',
    ];

    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    #[Route('/search', 'search', methods: ['GET'])]
    public function search(Request $request): Response
    {
        $text = mb_substr(trim(mb_scrub($request->query->getString('q'))), 0, self::LONGEST);
        $words = '' === self::plain($text) ? [] : explode(' ', self::plain($text));
        $found = [] === $words ? [] : array_filter([
            'people' => self::those($this->people(), $words),
            'postures' => self::those($this->postures(), $words),
            'tests' => self::those($this->tests(), $words),
            'pages' => self::those($this->pages(), $words),
        ]);
        if (1 === count($found) && 1 === count(reset($found))) {
            return $this->redirect(reset($found)[0]['address']);
        }

        return $this->render('search.html.twig', ['text' => $text, 'found' => $found]);
    }

    /** @return iterable<array{name: string, called: string, address: string}> */
    private function people(): iterable
    {
        foreach ($this->records->practitioners($this->teacher()) as $one) {
            $address = $this->generateUrl('practitioner', ['id' => $one->id]);
            yield ['name' => $one->name, 'called' => $one->name, 'address' => $address];
        }
    }

    /** @return iterable<array{name: string, called: string, address: string, posture: string}> */
    private function postures(): iterable
    {
        foreach ($this->catalogue->all(Kind::Posture) as $id => $one) {
            $called = implode(' ', [$one['name'], ...$one['sanskrit'] ?? [], ...$one['also'] ?? []]);
            $address = $this->generateUrl('library_posture', ['id' => $id]);
            yield ['name' => $one['name'], 'called' => $called, 'address' => $address, 'posture' => $id];
        }
    }

    /** @return iterable<array{name: string, called: string, address: string, test: string}> */
    private function tests(): iterable
    {
        foreach ($this->catalogue->names(Kind::Test) as $id => $name) {
            $address = $this->generateUrl('library_test', ['id' => $id]);
            yield ['name' => $name, 'called' => $name, 'address' => $address, 'test' => $id];
        }
    }

    /** @return iterable<array{name: string, called: string, address: string}> */
    private function pages(): iterable
    {
        foreach (self::PAGES as $name => $route) {
            if (!$this->isGranted(RouteVoter::OPEN, $route)) {
                continue;
            }
            $name = $this->say($name);
            yield ['name' => $name, 'called' => $name, 'address' => $this->generateUrl($route)];
        }
        foreach (array_keys(Guide::PAGES) as $id) {
            $name = $this->say("$id.title", domain: 'guide');
            $address = $this->generateUrl('guide_page', ['page' => $id]);
            yield ['name' => $name, 'called' => $name, 'address' => $address];
        }
    }

    /**
     * @template T of array{name: string, called: string, address: string}
     *
     * @param iterable<T>  $all
     * @param list<string> $words
     *
     * @return list<T> those that are called by all of the words; first those whose name begins with them
     */
    private static function those(iterable $all, array $words): array
    {
        $found = [];
        foreach ($all as $one) {
            $called = self::plain($one['called']);
            if ([] === array_filter($words, static fn (string $word): bool => !str_contains($called, $word))) {
                $found[] = $one;
            }
        }
        usort(
            $found,
            static fn (array $a, array $b): int => [
                !str_starts_with(self::plain($a['name']), $words[0]),
                $a['name'],
            ] <=> [!str_starts_with(self::plain($b['name']), $words[0]), $b['name']],
        );

        return array_slice($found, 0, self::MOST);
    }

    /** Without accents, and in lower case. */
    private static function plain(string $text): string
    {
        return u($text)->ascii()->lower()->replaceMatches('/[^a-z0-9]+/', ' ')->trim()->toString();
    }
}
