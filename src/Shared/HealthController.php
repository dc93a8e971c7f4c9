<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * How the platform is, for balancers and whoever watches over it. It says nothing of anybody; where the database does
 * not answer, this answers 503 as everything else does.
 */
final readonly class HealthController
{
    public function __construct(private HealthReport $report) {}

    #[Route('/health', name: 'health', methods: ['GET'])]
    public function health(): Response
    {
        return new Answer($this->report->now());
    }
}
