<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Shared\Repository\Health;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/**
 * How the platform is, for balancers and whoever watches over it. It says nothing of anybody; where the database does
 * not answer, this answers 503 as everything else does.
 */
final readonly class HealthController
{
    /** Seconds after which somebody should look: the scheduler looks every five, jobs are begun at once. */
    private const LATE = 60;

    /** Share of the disk that should be free. */
    private const SPARE = 0.05;

    public function __construct(private Health $platform, #[Autowire('%kernel.logs_dir%')] private string $folder) {}

    #[Route('/health', name: 'health', methods: ['GET'])]
    public function health(): Response
    {
        $row = $this->platform->now();
        [$free, $all] = [(float) @disk_free_space($this->folder), (float) @disk_total_space($this->folder)];
        $disk = $all > 0 ? $free / $all : 1.0;
        $late = array_keys(
            array_filter([
                'scheduler' => $row->int('scheduler') > self::LATE,
                'queue' => $row->int('queue') > self::LATE,
                'mail' => $row->int('mail') > 10 * self::LATE,
                'disk' => $disk < self::SPARE,
            ]),
        );

        return new Answer([
            'well' => [] === $late,
            'late' => $late,
            'schedulerSeconds' => $row->int('scheduler'),
            'queueSeconds' => max(0, $row->int('queue')),
            'failedJobs' => $row->int('failed'),
            'mailSeconds' => max(0, $row->int('mail')),
            'diskFree' => round($disk, 3),
        ]);
    }
}
