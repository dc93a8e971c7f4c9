<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ReviewAnswer;
use MintDoor\Sites\SiteName;

/** Schema `SiteSplit`: what taking sections out into a site of their own would do, or did. */
final readonly class SiteSplitAnswer
{
    /**
     * @param int          $people     who go
     * @param int          $both       of them, who stay, too, since they are in other sections
     * @param list<string> $doors      names of the doors that go along
     * @param bool         $lead       whether whoever does it becomes the lead of the new site
     * @param ReviewAnswer $review     of those who leave
     * @param ?SiteName    $made       the new site; null where nothing was done yet
     * @param ?string      $changeList id; null where nothing was done yet
     */
    public function __construct(
        public int $people,
        public int $both,
        public array $doors,
        public bool $lead,
        public ReviewAnswer $review,
        public bool $ready,
        public ?SiteName $made,
        public ?string $changeList,
    ) {}
}
