<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/**
 * When people came through each door of a site, from the first who came until today: bars of so many days each, the
 * same for all doors, the last one ending today.
 */
final readonly class ArrivalBars
{
    private const MOST = 42;

    /** @param array<string, list<int>> $came by door */
    private function __construct(public int $each, private array $came) {}

    /** @param array<string, list<int>> $instants at which people came, by door */
    public static function of(array $instants, int $now, \DateTimeZone $zone): self
    {
        $day = static fn(int $instant): \DateTimeImmutable => (new \DateTimeImmutable('@'.$instant))
            ->setTimezone($zone)
            ->setTime(0, 0);
        $today = $day($now);
        $ago = array_map(
            static fn(array $of): array => array_map(
                static fn(int $instant): int => (int) $day($instant)->diff($today)->days,
                $of,
            ),
            $instants,
        );
        $span = 1 + max([0, ...array_merge(...array_values($ago))]);
        $each = (int) ceil($span / self::MOST);
        $bars = (int) ceil($span / $each);
        $came = array_map(static function (array $days) use ($each, $bars): array {
            $counts = array_fill(0, $bars, 0);
            foreach ($days as $day) {
                ++$counts[$bars - 1 - intdiv($day, $each)];
            }

            return array_values($counts);
        }, $ago);

        return new self($each, $came);
    }

    /** @return array{each: int, came: list<int>} member `chart` of schema `Door` */
    public function at(string $door): array
    {
        return ['each' => $this->each, 'came' => $this->came[$door] ?? []];
    }
}
