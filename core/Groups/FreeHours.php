<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

use MintDoor\Core\Weeks\Meeting;

/**
 * Who shares a free hour with whom: one of the hours from Monday to Friday, 8 to 20 by the clock on the wall, at which
 * neither has anything in any of the weeks that are looked at.
 */
final readonly class FreeHours
{
    private const FIRST = 8;

    private const LAST = 20;

    private const DAYS = 5;

    /** @var array<string, int> a bit for each hour that is free, by person */
    private array $free;

    /**
     * @param array<string, list<Meeting>> $meetings of each, by person, in the weeks that are looked at
     * @param \DateTimeZone                $zone     whose clock it is
     */
    public function __construct(array $meetings, \DateTimeZone $zone)
    {
        $all = (1 << self::DAYS * (self::LAST - self::FIRST)) - 1;
        $hours = [];
        $free = [];
        foreach ($meetings as $person => $own) {
            $free[$person] = $all;
            foreach ($own as $meeting) {
                $taken = $hours["$meeting->from $meeting->until"] ??= self::taken($meeting, $zone);
                $free[$person] &= ~$taken;
            }
        }
        $this->free = $free;
    }

    /** Of whom nothing is known, every hour is free. */
    public function share(string $one, string $other): bool
    {
        return 0 !== (($this->free[$one] ?? -1) & ($this->free[$other] ?? -1));
    }

    /**
     * @param list<string> $people
     *
     * @return list<array{string, string}> those who share none, each pair once
     */
    public function none(array $people): array
    {
        $none = [];
        foreach ($people as $n => $one) {
            for ($m = \count($people) - 1; $m > $n; --$m) {
                $this->share($one, $people[$m]) || ($none[] = [$one, $people[$m]]);
            }
        }

        return $none;
    }

    /** @return int a bit for each hour that a meeting takes, also in part */
    private static function taken(Meeting $meeting, \DateTimeZone $zone): int
    {
        $taken = 0;
        $from = (new \DateTimeImmutable("@$meeting->from"))->setTimezone($zone);
        $hour = $from->setTime((int) $from->format('G'), 0);
        while ($hour->getTimestamp() < $meeting->until) {
            [$day, $clock] = [(int) $hour->format('N') - 1, (int) $hour->format('G')];
            if ($day < self::DAYS && $clock >= self::FIRST && $clock < self::LAST) {
                $taken |= 1 << $day * (self::LAST - self::FIRST) + $clock - self::FIRST;
            }
            $hour = $hour->add(new \DateInterval('PT1H'));
        }

        return $taken;
    }
}
