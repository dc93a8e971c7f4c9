<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use Symfony\Component\Validator\Constraints as Assert;

/** Somebody who is not in the directory yet, for the copy of a welcome. */
final readonly class SampleRequest
{
    public function __construct(
        #[Assert\Length(max: 80)] public string $given,
        #[Assert\Length(max: 80)] public string $family,
        #[Assert\Length(max: 80)] public string $login = '',
        #[Assert\Length(max: 190)] public ?string $email = null,
        #[Assert\Length(max: 80)] public string $division = '',
    ) {}
}
