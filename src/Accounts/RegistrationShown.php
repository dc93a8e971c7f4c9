<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Entity\Registration;
use MintDoor\Shared\Instant;

/** Schema `Registration`: somebody who waits for an account. */
final readonly class RegistrationShown
{
    /** @param ?string $askedAt instant */
    private function __construct(
        public string $id,
        public string $given,
        public string $family,
        public string $email,
        public string $division,
        public ?string $number,
        public ?int $level,
        public ?string $askedAt,
    ) {}

    public static function of(Registration $registration): self
    {
        return new self(
            $registration->id,
            $registration->givenName,
            $registration->familyName,
            $registration->email,
            $registration->division->code,
            $registration->number,
            $registration->level,
            Instant::toJson($registration->askedAt),
        );
    }
}
