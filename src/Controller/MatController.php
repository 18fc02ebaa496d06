<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

final class MatController extends AbstractController
{
    #[Route('/', 'on_the_mat', methods: ['GET'])]
    public function onTheMat(): Response
    {
        return new Response('x');
    }
}
