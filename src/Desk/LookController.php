<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Platform\PlatformSettings;
use MintDoor\Shared\Answer;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What the platform is called and looks like: before anybody signs in, too. */
final readonly class LookController
{
    public function __construct(private PlatformSettings $settings) {}

    #[Route('/look', name: 'look', methods: ['GET'])]
    public function look(): Response
    {
        return new Answer(LookAnswer::of($this->settings->asPut(), $this->settings->name()));
    }
}
