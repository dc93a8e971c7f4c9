<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** Terms that are to be made again for later years. */
final readonly class LaterTermsRequest
{
    /**
     * @param list<array<string, mixed>> $terms schema `TermSettings`
     * @param list<string>               $taken codes that are given already
     */
    public function __construct(
        #[Assert\Count(min: 1, max: 100)] public array $terms,
        #[Assert\Range(min: 1, max: 10)] public int $years = 1,
        public array $taken = [],
    ) {}
}
