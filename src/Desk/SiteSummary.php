<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Sites\SiteFacts;

/** Schema `SiteSummary`: a site in a list. */
final readonly class SiteSummary implements \JsonSerializable
{
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

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            ...get_object_vars($this->facts),
            'seats' => $this->seats,
            'learners' => $this->learners,
            'staff' => $this->staff,
            'mine' => $this->mine,
        ];
    }
}
