<?php

declare(strict_types=1);

namespace LucidAscent\App;

use LucidAscent\App\Database\Clash;
use LucidAscent\App\Database\Seal;
use LucidAscent\App\Database\SealedType;
use LucidAscent\App\Database\WholeRequest;
use LucidAscent\App\Health\Counted;
use LucidAscent\App\Security\AtRest;
use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    /** So often a request begins anew because others wrote the same. */
    private const MOST = 3;
    /** So long it waits before that at most, at first, and twice as long each time after. */
    private const WAIT_FOR_OTHERS_MS = 20;
    /** Where the database has other nodes, one of them takes over; so long it is asked whether it has, and so often. */
    private const PATIENCE_SECONDS = 8.0;
    private const WAIT_FOR_A_NODE_MS = 400;

    public function boot(): void
    {
        // Moments are kept and compared in UTC whatever the machine is set to; days are the teacher's.
        date_default_timezone_set('UTC');
        // So are numbers and names of days: in the way of the texts until somebody's language is known.
        \Locale::setDefault('en');
        parent::boot();
        SealedType::by(function (): Seal {
            $seal = $this->getContainer()->get(AtRest::class);

            return $seal instanceof Seal ? $seal : throw new \LogicException('Nothing seals.');
        });
    }

    /**
     * A request that others, or a node that went away, have kept from being written is answered anew, with all that it
     * carried; nothing of it was written. What was asked for once too often says so.
     */
    public function handle(
        Request $request,
        int $type = self::MAIN_REQUEST,
        bool $catch = true,
    ): Response {
        if (self::MAIN_REQUEST !== $type) {
            return parent::handle($request, $type, $catch);
        }
        $began = microtime(true);
        [$response, $route] = $this->answer($request, $catch);
        Counted::answered($route, $response->getStatusCode(), microtime(true) - $began);

        return $response;
    }

    /** @return array{Response, string|null} and the name of the route that it came to */
    private function answer(Request $request, bool $catch): array
    {
        $again = $request->duplicate();
        $began = microtime(true);
        for ($tried = 0;; ++$tried) {
            try {
                $response = parent::handle($request, self::MAIN_REQUEST, $catch);
                $this->whole()->end();

                return [$response, $request->attributes->get('_route')];
            } catch (\Throwable $e) {
                $clash = Clash::in($e);
                if (null === $clash) {
                    throw $e;
                }
                Counted::begunAnew($clash->name);
                $this->beginAnew();
                $isEnough = match ($clash) {
                    Clash::OthersWrote => $tried >= self::MOST,
                    Clash::NodeGone => microtime(true) - $began > self::patience(),
                };
                if ($isEnough) {
                    return [$this->unanswered($e), $request->attributes->get('_route')];
                }
                $this->waitFor($clash, $tried);
                $request = $again->duplicate();
            }
        }
    }

    /** A database that is alone is there, or it is not. */
    private static function patience(): float
    {
        return '' === (string) ($_SERVER['DATABASE_NODES'] ?? '') ? 0.0 : self::PATIENCE_SECONDS;
    }

    private function whole(): WholeRequest
    {
        $whole = $this->getContainer()->get(WholeRequest::class);

        return $whole instanceof WholeRequest ? $whole : throw new \LogicException('Nothing is written whole.');
    }

    /** With nothing of what was known, and another connection. */
    private function beginAnew(): void
    {
        if (\PHP_SESSION_ACTIVE === session_status()) {
            session_abort();
        }
        $this->whole()->giveUp();
        $this->shutdown();
    }

    private function waitFor(Clash $clash, int $tried): void
    {
        // Those that clashed do not come again at the same moment.
        usleep(
            1000 *
                match ($clash) {
                    Clash::OthersWrote => random_int(1, self::WAIT_FOR_OTHERS_MS) * 2 ** $tried,
                    Clash::NodeGone => random_int(self::WAIT_FOR_A_NODE_MS >> 1, self::WAIT_FOR_A_NODE_MS),
                },
        );
    }

    private function unanswered(\Throwable $e): Response
    {
        // Of what was asked, and about whom, nothing.
        error_log('The database did not answer: '.$e::class.' '.$e->getCode());

        return new Response(
            (string) file_get_contents($this->getProjectDir().'/public/away.html'),
            Response::HTTP_SERVICE_UNAVAILABLE,
            [
                'Retry-After' => '3',
                'Cache-Control' => 'no-store',
                'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'",
            ],
        );
    }
}
