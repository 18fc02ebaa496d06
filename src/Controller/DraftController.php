<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\OptimisticLockException;
use LucidAscent\App\Entity\Draft;
use LucidAscent\App\Json\JsonText;
use LucidAscent\App\Repository\FormRecords;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** What is typed into a form, kept while it is typed. Whoever has not seen the newest version overwrites nothing. */
final class DraftController extends TeacherController
{
    public function __construct(private readonly FormRecords $formRecords, private readonly EntityManagerInterface $em)
    {
    }

    #[Route(
        '/practitioners/{id}/drafts/{place}',
        'draft',
        requirements: ['place' => '[a-z][a-z0-9-]{0,79}'],
        methods: ['PUT'],
    )]
    public function keep(string $id, string $place, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(BenchController::TOKEN, $request);
        $sent = JsonText::decode($request->getContent());
        $content = is_array($sent) ? self::content($sent['content'] ?? null) : null;
        if (!is_array($sent) || null === $content || !is_int($sent['version'] ?? null)) {
            return new JsonResponse(['error' => 'A draft is {"version", "content"}.'], 400);
        }
        try {
            $draft = $this->formRecords->draft($practitioner, $this->teacher(), $place);
            if (null === $draft) {
                if (0 !== $sent['version']) {
                    // It was recorded, and so taken away, in another window.
                    return new JsonResponse(['version' => 0, 'content' => (object) []], 409);
                }
                $draft = new Draft(
                    Uuid::v7(),
                    $practitioner,
                    $this->teacher(),
                    $place,
                    $content,
                    $this->clock->now(),
                );
                $this->em->persist($draft);
            } else {
                $this->em->lock($draft, LockMode::OPTIMISTIC, $sent['version']);
                $draft->content = $content;
                $draft->at = $this->clock->now();
            }
            $this->em->flush();
        } catch (OptimisticLockException|UniqueConstraintViolationException) {
            $this->em->clear();
            $there = $this->em->isOpen()
                ? $this->formRecords->draft($this->practitioner($id), $this->teacher(), $place)
                : null;

            return new JsonResponse(
                [
                    'version' => $there?->version() ?? 0,
                    'content' => (object) ($there->content ?? []),
                    'at' => $there?->at->format(DATE_ATOM),
                ],
                409,
            );
        }

        return new JsonResponse(['version' => $draft->version()]);
    }

    /** @return array<string, string|list<string>>|null */
    private static function content(mixed $content): ?array
    {
        if (!is_array($content)) {
            return null;
        }
        $kept = [];
        foreach ($content as $name => $value) {
            if (is_string($value)) {
                $kept[(string) $name] = $value;
            } elseif (is_array($value)) {
                $kept[(string) $name] = array_values(array_filter($value, is_string(...)));
            }
        }

        return $kept;
    }
}
