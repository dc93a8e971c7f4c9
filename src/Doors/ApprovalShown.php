<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\People\PersonShown;
use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/** Schema `Approval`: somebody of a division who was let in from outside, and waits for its yes. */
final readonly class ApprovalShown
{
    /**
     * @param string $role code
     * @param ?string $askedAt instant
     * @param ?string $untilAt instant
     */
    public function __construct(
        public SiteName $site,
        public string $timeZone,
        public PersonShown $person,
        public string $role,
        public ?Somebody $by,
        public ?string $askedAt,
        public ?string $untilAt,
    ) {}
}
