<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\FactsFirst;
use MintDoor\Sites\SiteFacts;

/** Schema `SiteSummary`: a site in a list. */
final readonly class SiteSummary implements \JsonSerializable
{
    use FactsFirst;

    /**
     * @param int         $learners seats held
     * @param ?OwnStanding $mine    how the caller stands there, in the list of sites they are in
     */
    public function __construct(
        public SiteFacts $facts,
        public ?int $seats,
        public int $learners,
        public int $staff,
        public ?OwnStanding $mine,
    ) {}
}
