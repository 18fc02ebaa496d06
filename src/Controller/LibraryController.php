<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\EntryFields;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Library;
use LucidAscent\App\OwnEntry\OwnCatalogue;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\PageCache\Whose;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Posture\PrerequisiteGraph;
use LucidAscent\Core\Posture\RungDefinition;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The catalogue to read: postures, drills, tests, schools and cautions. */
final class LibraryController extends TeacherController
{
    public function __construct(private readonly PictureRecords $pictureRecords, private readonly Catalogue $catalogue)
    {
    }

    #[Route('/library', 'library', methods: ['GET'])]
    #[CachedPage(['q', 'component', 'family', 'purpose', 'level', 'remedy', 'hand'], Whose::TeachersAlone)]
    public function library(Request $request, ReadPerson $people, OwnCatalogue $own): Response
    {
        $postures = $this->catalogue->all(Kind::Posture);
        $drills = $this->catalogue->all(Kind::Drill);
        $asked = trim($request->query->getString('q'));
        $component = $request->query->getString('component');
        $family = $request->query->getString('family');
        $shown = '' === $asked ? array_keys($postures) : Library::search($asked, $postures);
        $by = array_map(static fn (string $name): string => $request->query->getString($name), [
            'purpose' => 'purpose',
            'level' => 'level',
            'remedy' => 'remedy',
            'hand' => 'hand',
        ]);
        $shown = array_filter(
            $shown,
            static fn (string $id): bool => Library::suits(
                $postures[$id],
                $by['purpose'],
                $by['level'],
                $by['remedy'],
                $by['hand'],
            )
                && ('' === $component || in_array($component, $postures[$id]['components'], true))
                && ('' === $family || $family === $postures[$id]['family']),
        );

        $reach = null;
        $isUntested = false;
        $person = $request->query->getString('person');
        if ('' !== $person) {
            $practitioner = $this->practitioner($person);
            $known = $people->now($practitioner);
            if (null === $known) {
                $this->addFlash('hint', 'library.no_body');
            } else {
                $isUntested = $known->person->isUntested();
                foreach ($shown as $id) {
                    foreach (Side::cases() as $side) {
                        $reach[$id][$side->value] = $known->of($id, $side)->onLadder()->rung?->rung;
                    }
                }
                $shown = array_filter(
                    $shown,
                    static fn (string $id): bool => null !== ($reach[$id]['left'] ?? null)
                        || null !== ($reach[$id]['right'] ?? null),
                );
            }
        }

        return $this->render('library/index.html.twig', [
            'postures' => $postures,
            'unreadable' => $own->unreadable($this->teacher()),
            'shown' => $shown,
            'tests' => '' === $asked ? [] : Library::search($asked, $this->catalogue->all(Kind::Test)),
            'allTests' => $this->catalogue->all(Kind::Test),
            'components' => self::values($postures, static fn (array $posture): array => $posture['components']),
            'families' => self::values($postures, static fn (array $posture): array => [$posture['family']]),
            'practitioners' => $this->records->practitioners($this->teacher()),
            'reach' => $reach,
            'untested' => $isUntested,
            'drills' => '' === $asked && '' === $by['remedy']
                    ? []
                    : array_values(
                        array_filter(
                            '' === $asked ? array_keys($drills) : Library::search($asked, $drills),
                            static fn (string $id): bool => '' === $by['remedy']
                                || in_array($by['remedy'], $drills[$id]['remedies'], true),
                        ),
                    ),
            'allDrills' => $drills,
            'choices' => [
                'purpose' => EntryFields::PURPOSES,
                'level' => PracticeLevel::names(),
                'remedy' => Remedy::names(),
                'hand' => array_keys(Library::AT_HAND),
            ],
            'asked' => $by + ['q' => $asked, 'component' => $component, 'family' => $family, 'person' => $person],
        ]);
    }

    #[Route('/library/postures/{id}', 'library_posture', methods: ['GET'])]
    #[CachedPage(['condition'], Whose::TeachersAlone)]
    public function posture(string $id, Request $request): Response
    {
        $posture = $this->catalogue->all(Kind::Posture)[$id] ?? throw $this->createNotFoundException();
        $conditions = $this->catalogue->conditions();
        $asked = array_intersect_key(
            $conditions,
            array_flip(array_filter($request->query->all('condition'), is_string(...))),
        );
        $permissions = array_map(
            static fn (RungDefinition $rung): array => [
                'because' => array_values(
                    array_filter($asked, static fn (Condition $condition): bool => $condition->holds($rung->work)),
                ),
                'changes' => array_values(
                    array_unique(
                        array_merge(
                            ...array_map(
                                static fn (Condition $condition): array => array_intersect_key(
                                    $condition->changes,
                                    array_flip($rung->work->loads),
                                ),
                                array_values($asked),
                            ),
                        ),
                    ),
                ),
                'loads' => array_values(array_diff($rung->work->loads, [Load::LyingRest->value])),
            ],
            $this->catalogue->postures()[$id]->shapes(),
        );
        $incoming = [];
        foreach ($this->catalogue->all(Kind::Posture) as $other => $data) {
            foreach (PrerequisiteGraph::RELATIONS as $relation) {
                if (isset($data['relations'][$relation][$id])) {
                    $incoming[$relation][$other] = $data['relations'][$relation][$id];
                }
            }
        }

        return $this->render('library/posture.html.twig', [
            'posture' => $posture,
            'postures' => $this->catalogue->all(Kind::Posture),
            'schools' => $this->catalogue->all(Kind::School),
            'pictures' => isset($posture['own']) ? $this->pictureRecords->ownPictures($this->teacher(), $id) : [],
            'token' => OwnPictureController::TOKEN,
            'refused' => $request->attributes->get('refused'),
            'drills' => $this->catalogue->all(Kind::Drill),
            'feelings' => $this->catalogue->feelings(),
            'incoming' => $incoming,
            'conditions' => $conditions,
            'asked' => array_keys($asked),
            'permissions' => $permissions,
            'judges' => array_filter(
                $this->catalogue->all(Kind::Test),
                static fn (array $test): bool => [] !== array_intersect($test['components'], $posture['components']),
            ),
        ]);
    }

    #[Route('/library/tests/{id}', 'library_test', methods: ['GET'])]
    #[CachedPage([], Whose::TeachersAlone)]
    public function test(string $id): Response
    {
        $test = $this->catalogue->all(Kind::Test)[$id] ?? throw $this->createNotFoundException();

        return $this->render('library/test.html.twig', ['test' => $test]);
    }

    #[Route('/library/tests', 'library_tests', methods: ['GET'])]
    #[CachedPage([], Whose::TeachersAlone)]
    public function tests(): Response
    {
        $tests = $this->catalogue->all(Kind::Test);
        uasort($tests, static fn (array $a, array $b): int => $a['order'] <=> $b['order']);

        return $this->render('library/tests.html.twig', ['tests' => $tests]);
    }

    #[Route('/library/drills', 'library_drills', methods: ['GET'])]
    #[CachedPage([], Whose::TeachersAlone)]
    public function drills(): Response
    {
        return $this->render('library/drills.html.twig', ['drills' => $this->catalogue->all(Kind::Drill)]);
    }

    #[Route('/library/schools', 'library_schools', methods: ['GET'])]
    #[CachedPage([], Whose::TeachersAlone)]
    public function schools(): Response
    {
        return $this->render('library/schools.html.twig', ['schools' => $this->catalogue->all(Kind::School)]);
    }

    #[Route('/library/cautions', 'library_cautions', methods: ['GET'])]
    #[CachedPage([], Whose::TeachersAlone)]
    public function cautions(): Response
    {
        return $this->render('library/cautions.html.twig', ['cautions' => $this->catalogue->all(Kind::Caution)]);
    }

    /**
     * @param array<string, array<string, mixed>> $entries
     * @param callable(array<string, mixed>): array<mixed> $of
     *
     * @return list<string>
     */
    private static function values(array $entries, callable $of): array
    {
        $values = [];
        foreach ($entries as $entry) {
            foreach ($of($entry) as $value) {
                $values[] = (string) $value;
            }
        }
        $values = array_values(array_unique($values));
        sort($values);

        return $values;
    }
}
