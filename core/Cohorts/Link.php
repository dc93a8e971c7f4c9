<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

use MintDoor\Core\Time\Spans;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/** That whoever belongs to a cohort is in a site, from a day on, and what becomes of who no longer belongs. */
final readonly class Link
{
    private const DAY = 86_400;

    /**
     * @param string $cohort id
     * @param string $site   id
     * @param int    $from   nobody is there by it before
     * @param int    $days   for which access is kept after belonging ends; 0 for not at all
     * @param ?int   $until  to which access is kept in place of days: the end of the term; what ends later ends at once
     * @param ?int   $before what ended before that was in an earlier term, which ended at `$earlier`
     */
    public function __construct(
        public string $cohort,
        public string $site,
        public int $from = Time::BEGINNING,
        public int $days = 0,
        public ?int $until = null,
        public ?int $before = null,
        public int $earlier = Time::BEGINNING,
    ) {}

    /** When somebody is in the site by it. */
    public function access(Spans $belongs): Spans
    {
        $access = Spans::never();
        foreach ($belongs->from($this->from)->windows as $window) {
            $access = $access->or(Spans::of(new Window($window->from, $this->end($window->until))));
        }

        return $access;
    }

    private function end(int $until): int
    {
        return match (true) {
            $until >= Time::FOREVER => Time::FOREVER,
            null !== $this->until => max($until, $until < $this->before ? $this->earlier : $this->until),
            default => min(Time::FOREVER, $until + $this->days * self::DAY),
        };
    }
}
