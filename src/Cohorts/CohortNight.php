<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Repository\Health;
use Psr\Log\LoggerInterface;

/** Once a night everything is compared; what had to be mended is said, as it should be nothing. */
final readonly class CohortNight
{
    public const COMPARED = 'cohorts-compared';
    public const MENDED = 'cohorts-mended';

    /** Hours of UTC in which it is done, where it was not for so many seconds. */
    private const HOURS = [1, 4];
    private const SINCE = 72_000;

    public function __construct(
        private CohortTicker $ticker,
        private Health $health,
        private PlatformClock $clock,
        private LoggerInterface $logger,
    ) {}

    /**
     * @return int how much had to be mended
     *
     * @phpstan-impure
     */
    public function due(): int
    {
        $now = $this->clock->instant();
        $hour = (int) gmdate('G', $now);
        $last = $this->health->last(self::COMPARED);
        $is = self::HOURS[0] <= $hour && $hour < self::HOURS[1];

        return $is && (null === $last || $last + self::SINCE <= $now) ? $this->compare() : 0;
    }

    /**
     * @return int how much had to be mended
     *
     * @phpstan-impure
     */
    public function compare(): int
    {
        $mended = $this->ticker->compare();
        $much = $mended->members + $mended->lines;
        $this->health->beat(self::COMPARED);
        if ($much > 0) {
            $this->health->beat(self::MENDED);
            $this->logger->warning('Cohorts were not in step.', (array) $mended);
        }

        return $much;
    }
}
