<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use MintDoor\Shared\Repository\Health;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Looks how the platform is. */
final readonly class HealthReport
{
    /** Seconds after which somebody should look: the scheduler looks every five, jobs are begun at once. */
    private const LATE = 60;

    /** Share of the disk that should be free. */
    private const SPARE = 0.05;

    public function __construct(private Health $platform, #[Autowire('%kernel.logs_dir%')] private string $folder) {}

    public function now(): HealthAnswer
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

        return new HealthAnswer(
            [] === $late,
            $late,
            $row->int('scheduler'),
            max(0, $row->int('queue')),
            $row->int('failed'),
            max(0, $row->int('mail')),
            round($disk, 3),
        );
    }
}
