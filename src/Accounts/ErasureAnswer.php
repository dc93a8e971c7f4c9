<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Schema `Erasure`: what erasing somebody would take away, or took. */
final readonly class ErasureAnswer
{
    /**
     * @param ?string            $refusal    code of why it cannot be done
     * @param ?string            $sentence   of that
     * @param array<string, int> $counts     of what there is about them
     * @param ?string            $changeList id; null where nothing was erased
     */
    public function __construct(
        public ?string $refusal,
        public ?string $sentence,
        public array $counts,
        public ?string $changeList,
    ) {}
}
