<?php

declare(strict_types=1);

namespace MintDoor\StandIns;

use MintDoor\Roster\Work;
use MintDoor\Roster\WorkMeter;

/**
 * A meter of learner activity that makes its numbers up: always the same for the same person and site, more the longer
 * somebody came, and nothing for those who never did. Whether somebody may still enter makes no difference to it.
 */
final class SimulatedWork implements WorkMeter
{
    private const WHAT = ['Worksheet', 'Listening log', 'Recording', 'Dictation', 'Score study'];

    /** In so many seconds all items come due, one after the other. */
    private const COURSE = 98 * 86_400;

    /** @var array<string, list<string>> */
    private array $items = [];

    public function items(string $siteId): array
    {
        if (!isset($this->items[$siteId])) {
            $count = 10 + self::dice($siteId) % 9;
            $this->items[$siteId] = array_map(static fn (int $n): string => self::WHAT[self::dice($siteId.$n) % \count(self::WHAT)].' '.$n, range(1, $count));
        }

        return $this->items[$siteId];
    }

    public function of(string $siteId, string $personId, int $since, ?int $lastSeen): Work
    {
        $all = $this->items($siteId);
        $due = null === $lastSeen ? 0 : (int) ceil(\count($all) * min(1, max(0, $lastSeen - $since) / self::COURSE));
        $diligence = 55 + self::dice($personId) % 45;
        $level = 48 + self::dice($personId.'level') % 40;
        $items = [];
        foreach (array_keys($all) as $n) {
            $fall = self::dice($siteId.$personId.$n);
            $done = $n < $due && $fall % 100 < $diligence;
            $items[] = ['done' => $done, 'mark' => $done && ($fall >> 8) % 100 < 80 ? min(100, $level + ($fall >> 16) % 13) : null];
        }

        return new Work($items);
    }

    private static function dice(string $of): int
    {
        return (int) hexdec(substr(hash('xxh32', $of), 0, 7));
    }
}
