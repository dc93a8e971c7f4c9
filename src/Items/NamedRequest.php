<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A sentence under a name, as it is to be. */
final readonly class NamedRequest
{
    /** @param array<string, mixed> $visibility as `VisibilityCodec` reads it */
    public function __construct(
        #[Assert\NotBlank(message: 'items.name-it', normalizer: 'trim')]
        #[Assert\Length(max: 60, maxMessage: 'items.shorten-name')] public string $name,
        public array $visibility,
        /** Null for a new one. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'items.no-such-name')] public ?string $id = null,
    ) {}
}
