<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** Schema `InvitationLook`: whose invitation it is, and what they need for it. */
final readonly class InvitationLook
{
    /**
     * @param ?string $over why it does not hold any more
     * @param string $account what they have: "none", "sign-in", or one without a "password"
     * @param bool $yours whether it is the caller's
     * @param string $words what was written to them
     */
    public function __construct(
        public ?string $over,
        public string $address,
        public ?string $name,
        public ?string $login,
        public string $account,
        public bool $yours,
        public string $words,
    ) {}
}
