<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `Week`. */
final readonly class WeekAnswer
{
    /**
     * @param string           $zone    name, in which its days are
     * @param list<WeekDay>    $days    seven, from Monday
     * @param list<ClashShown> $clashes of these days
     * @param ?string          $next    day of the next meeting after this week; null for none
     */
    public function __construct(
        public string $zone,
        public array $days,
        public array $clashes,
        public ?string $next,
    ) {}
}
