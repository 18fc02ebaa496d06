<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Health\Metrics;
use LucidAscent\App\Health\NodeState;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What a machine says of itself; the web server lets nobody from outside ask. */
final readonly class HealthController
{
    private const TEXT = ['Content-Type' => 'text/plain; charset=utf-8'];
    private const METRICS = ['Content-Type' => 'text/plain; version=0.0.4; charset=utf-8'];

    #[Route('/health/live', 'health_live', methods: ['GET'])]
    public function live(): Response
    {
        return new Response("Alive.\n", headers: self::TEXT);
    }

    #[Route('/health/ready', 'health_ready', methods: ['GET'])]
    public function ready(NodeState $state): Response
    {
        $fault = $state->fault();

        return new Response(
            ($fault ?? 'Ready.')."\n",
            null === $fault ? Response::HTTP_OK : Response::HTTP_SERVICE_UNAVAILABLE,
            self::TEXT,
        );
    }

    #[Route('/metrics', 'metrics', methods: ['GET'])]
    public function metrics(Metrics $metrics): Response
    {
        return new Response($metrics->text(), headers: self::METRICS);
    }
}
