<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/** Schema `CarriedBack`: what taking back that sites were merged or divided would do, or did. */
final readonly class CarriedBackAnswer
{
    /**
     * @param int            $people     who are here and go back
     * @param int            $stay       who were changed since, and stay where they are
     * @param list<Somebody> $left       of them the first
     * @param list<SiteName> $sites      that are there again, or were made and go
     * @param ?string        $changeList id of the change list that took it back; null where nothing was done yet
     */
    public function __construct(
        public int $people,
        public int $stay,
        public array $left,
        public array $sites,
        public ?string $changeList,
    ) {}
}
