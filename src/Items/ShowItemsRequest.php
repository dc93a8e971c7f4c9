<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Who is to see some items: by a sentence, or by one that has a name. */
final readonly class ShowItemsRequest
{
    /**
     * @param list<string>          $items      ids
     * @param ?array<string, mixed> $visibility as `VisibilityCodec` reads it
     */
    public function __construct(
        #[Assert\Count(min: 1, max: 1_000, minMessage: 'items.choose-items', maxMessage: 'items.most-items')]
        #[Assert\All([new Assert\Length(max: 64, maxMessage: 'items.no-such-item')])]
        public array $items,
        public ?array $visibility = null,
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'items.no-such-name')] public ?string $named = null,
        public bool $apply = true,
    ) {}
}
