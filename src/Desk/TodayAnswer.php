<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `Today`: what waits for somebody, what is to come, and what others did. */
final readonly class TodayAnswer
{
    /**
     * @param ?string               $seenAt    instant until which they have seen what others did
     * @param list<TodayDecisions>  $decisions kinds of which there is something, in the order they should be looked at
     * @param list<ToCome>          $coming    in the next days, by when
     * @param list<ChangedSite>     $changed   sites in which others did something, the last first
     * @param ?PlatformToday        $platform  for administrators
     */
    public function __construct(
        public string $now,
        public ?string $seenAt,
        public array $decisions,
        public array $coming,
        public array $changed,
        public ?PlatformToday $platform,
    ) {}
}
