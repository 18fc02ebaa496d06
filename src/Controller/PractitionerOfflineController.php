<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\PractitionerAccess\AccessDoor;
use LucidAscent\App\PractitionerAccess\PractitionerPages;
use LucidAscent\Core\Calendar\Day;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What an own page needs to be there without a network. */
final class PractitionerOfflineController extends AbstractController
{
    public function __construct(
        private readonly AccessDoor $door,
        private readonly PractitionerPages $pages,
        private readonly ClockInterface $clock,
    ) {
    }

    /** The script that keeps the page's parts; it is of nobody. */
    #[Route('/own-worker.js', 'own_worker', methods: ['GET'])]
    public function worker(#[Autowire('%kernel.project_dir%/public/assets/js/own-worker.js')] string $file): Response
    {
        return new Response(
            (string) file_get_contents($file),
            headers: ['Content-Type' => 'text/javascript; charset=utf-8'],
        );
    }

    /** The page without anything of anybody: a PIN, and what this device has kept. */
    #[Route('/own/shell', 'own_shell', methods: ['GET'])]
    public function shell(): Response
    {
        return $this->render('own/shell.html.twig');
    }

    /** The planned week, for the device to keep under its PIN. */
    #[Route('/own/week', 'own_week', methods: ['GET'])]
    public function week(Request $request): JsonResponse
    {
        $practitioner = $this->door->opened($request);
        $key = $this->door->key($request);
        if (null === $practitioner || null === $key) {
            return new JsonResponse(['error' => 'shut'], 403);
        }
        $device = ['owner' => "own-$key->id", 'key' => $this->door->queueKey($key)];
        $today = Day::of($this->clock->now());
        $page = $this->pages->page($practitioner);
        $sessions = [];
        foreach ($page['sessions'] as $one) {
            $sessions["$one[week]-$one[session]"] = $this->renderView(
                'own/_session.html.twig',
                $this->pages->session($practitioner, $one) + ['device' => $device],
            );
        }

        return new JsonResponse([
            'owner' => $device['owner'],
            'key' => $device['key'],
            'zone' => $this->clock->now()->getTimezone()->getName(),
            'on' => $today,
            'until' => (new \DateTimeImmutable($today))->modify('+6 days')->format('Y-m-d'),
            'page' => $this->renderView(
                'own/_page.html.twig',
                $page + ['device' => $device, 'token' => '', 'said' => ''],
            ),
            'hurts' => $this->renderView('own/_hurts.html.twig', [
                'isSaid' => false,
                'isNothing' => false,
                'holds' => [],
                'token' => '',
            ]),
            'sessions' => $sessions,
        ]);
    }
}
