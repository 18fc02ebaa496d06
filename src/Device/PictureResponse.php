<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** A picture on its way to whoever may see it. */
final class PictureResponse extends Response
{
    /**
     * @param string|null $jpeg as PictureStore reads it
     *
     * @throws NotFoundHttpException when there is none
     */
    public static function of(?string $jpeg): self
    {
        $response = new self($jpeg ?? throw new NotFoundHttpException(), headers: ['Content-Type' => 'image/jpeg']);
        $response->setPrivate();

        return $response;
    }
}
