<?php

declare(strict_types=1);

namespace MintDoor\Demo;

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
            $count = 10 + (self::dice($siteId) % 9);
            $this->items[$siteId] = array_map(
                static fn(int $n): string => self::WHAT[self::dice($siteId.$n) % \count(self::WHAT)].' '.$n,
                range(1, $count),
            );
        }

        return $this->items[$siteId];
    }

    public function of(string $siteId, string $personId, int $since, ?int $lastSeen): Work
    {
        $all = \count($this->items($siteId));
        if (null === $lastSeen || $lastSeen <= $since) {
            return new Work(array_fill(0, $all, ['done' => false, 'mark' => null]));
        }
        // One fall of the dice for all items; the last two bytes are the person's own diligence and level.
        $fall = hash('sha256', $siteId.$personId, true);
        $due = min($all, (int) ceil(($all * ($lastSeen - $since)) / self::COURSE));
        $diligence = 140 + (\ord($fall[31]) % 116);
        $level = 48 + (\ord($fall[30]) % 40);
        $items = [];
        for ($n = 0; $n < $all; ++$n) {
            $own = \ord($fall[$n]);
            $done = $n < $due && $own < $diligence;
            $items[] = ['done' => $done, 'mark' => $done && 0 !== $own % 5 ? min(100, $level + ($own % 13)) : null];
        }

        return new Work($items);
    }

    public function done(string $siteId, string $personId, int $since, ?int $lastSeen): int
    {
        $all = \count($this->items($siteId));
        if (null === $lastSeen || $lastSeen <= $since) {
            return 0;
        }
        $fall = hash('sha256', $siteId.$personId, true);
        $due = min($all, (int) ceil(($all * ($lastSeen - $since)) / self::COURSE));
        $diligence = 140 + (\ord($fall[31]) % 116);
        $done = 0;
        for ($n = 0; $n < $due; ++$n) {
            $done += (int) (\ord($fall[$n]) < $diligence);
        }

        return $done;
    }

    private static function dice(string $of): int
    {
        return (int) hexdec(substr(hash('xxh32', $of), 0, 7));
    }
}
