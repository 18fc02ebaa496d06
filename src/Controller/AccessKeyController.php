<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\AccessKey;
use LucidAscent\App\Entity\AccessKeyEnd;
use LucidAscent\App\Entity\HomeTestsAllowed;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\SeenByTeacher;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Json\Day;
use LucidAscent\App\PractitionerAccess\AccessSecret;
use LucidAscent\App\PractitionerAccess\HomeMeasures;
use LucidAscent\App\PractitionerAccess\HomePictures;
use LucidAscent\App\Repository\AccessRecords;
use LucidAscent\App\Security\PublicUrl;
use LucidAscent\Core\Caution\Words\ReadWords;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A person's own page, as the teacher gives it out and takes it back; and what has come in by it. */
final class AccessKeyController extends TeacherController
{
    public const TOKEN = 'own page';
    private const DAYS = 90;

    public function __construct(
        private readonly AccessRecords $own,
        private readonly HomeMeasures $measures,
        private readonly Catalogue $catalogue,
        private readonly PublicUrl $publicUrl,
    ) {
    }

    #[Route('/practitioners/{id}/own', 'own_key', methods: ['GET', 'POST'])]
    public function key(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $secret = null;
        if ($request->isMethod('POST')) {
            $this->checkToken(self::TOKEN, $request);
            if ('allow' === $request->request->get('do')) {
                $allowed = array_intersect_key(
                    array_flip(array_filter($request->request->all('allow'), is_string(...))),
                    $this->measures->possible() + [HomePictures::ALLOWED => ''],
                );
                $seen = array_flip(array_filter($request->request->all('seen'), is_string(...)));
                $this->records->add(
                    new HomeTestsAllowed(
                        Uuid::v7(),
                        $practitioner,
                        $this->teacher(),
                        $this->clock->now(),
                        array_combine(
                            array_keys($allowed),
                            array_map(static fn (string $test): bool => isset($seen[$test]), array_keys($allowed)),
                        ),
                    ),
                );
                $this->addFlash('done', 'access.tests.saved');

                return $this->redirectToRoute('own_key', ['id' => $id]);
            }
            $now = $this->clock->now();
            // The old one ends where the new one begins.
            $records = array_map(
                static fn (AccessKey $key): AccessKeyEnd => new AccessKeyEnd($key->id, $now),
                $this->own->keys($practitioner),
            );
            if ('open' === $request->request->get('do')) {
                $secret = AccessSecret::made();
                $this->records->add(
                    new AccessKey(
                        Uuid::v7(),
                        $practitioner,
                        $this->teacher(),
                        $now,
                        $now->modify(sprintf('+%d days', self::DAYS)),
                        AccessSecret::hash($secret),
                    ),
                    ...$records,
                );
            } else {
                $this->records->add(...$records);
                $this->addFlash('done', 'access.shut.done');

                return $this->redirectToRoute('own_key', ['id' => $id]);
            }
        }
        $key = $this->own->key($practitioner, $this->clock->now());

        return $this->render('own/key.html.twig', [
            'practitioner' => $practitioner,
            'key' => $key,
            'device' => null === $key ? null : $this->own->device($key),
            'secret' => $secret,
            'address' => $this->publicUrl->of($this->generateUrl('own')),
            'token' => self::TOKEN,
            'possible' => $this->measures->possible(),
            'pictures' => HomePictures::ALLOWED,
            'allowed' => $this->own->allowed($practitioner),
        ]);
    }

    #[Route('/practitioners/{id}/came-in', 'came_in', methods: ['GET', 'POST'])]
    public function cameIn(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        if ($request->isMethod('POST')) {
            $this->checkToken(self::TOKEN, $request);
            // Up to what the page has shown, and no further: what has come in since is still to be seen.
            $shown = Day::written('U.u', $request->request->getString('shown'), new \DateTimeZone('UTC'));
            if (null === $shown) {
                $this->addFlash('hint', 'came_in.unseen');

                return $this->redirectToRoute('came_in', ['id' => $practitioner->id]);
            }
            $this->records->add(
                new SeenByTeacher(Uuid::v7(), $practitioner, $this->teacher(), min($shown, $this->clock->now())),
            );

            return $this->redirectToRoute('on_the_mat');
        }

        $came = $this->own->cameIn($practitioner);

        return $this->render('own/came_in.html.twig', [
            'practitioner' => $practitioner,
            'came' => $came,
            'speaks' => [] !==
                array_filter(
                    [...$came['words'], ...$came['notes']],
                    static fn (PractitionerNote $note): bool => ReadWords::of($note->text)->ask(),
                ),
            'shapes' => array_column(
                array_map(
                    fn (StoredPicture $one): array => [$one->test, $this->shape($one->test)],
                    $came['pictures'],
                ),
                1,
                0,
            ),
            'possible' => $this->measures->possible(),
            'shown' => $this->clock->now()->format('U.u'),
            'token' => self::TOKEN,
        ]);
    }

    /** @return array{string, string} the names of a posture and of its rung */
    private function shape(string $of): array
    {
        $posture = $this->catalogue->postures()[explode('/', $of)[0]] ?? null;

        return [$posture->name ?? $of, $this->catalogue->named($of)['name'] ?? ''];
    }
}
