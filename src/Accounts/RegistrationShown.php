<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Accounts\Entity\Registration;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Instant;

/** Schema `Registration`: somebody who waits for an account. */
final readonly class RegistrationShown
{
    /**
     * @param ?string $askedAt instant
     * @param ?KnownByAddress $known the person of the directory whose address it is
     */
    private function __construct(
        public string $id,
        public string $given,
        public string $family,
        public string $email,
        public string $division,
        public ?string $number,
        public ?int $level,
        public ?string $askedAt,
        public ?KnownByAddress $known,
    ) {}

    public static function of(Registration $registration, ?Person $known): self
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
            null === $known ? null : new KnownByAddress($known->id, $known->name(), $known->kind),
        );
    }
}
