<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Somebody's account: of schema `PersonPage`. */
final readonly class AccountShown
{
    /**
     * @param ?string $closedFrom instant
     * @param ?string $madeAt     instant
     * @param ?string $usedAt     instant
     */
    public function __construct(
        public string $login,
        public bool $open,
        public ?string $closedFrom,
        public bool $hasPassword,
        public bool $mustChange,
        public int $sessions,
        public ?string $madeAt,
        public ?string $usedAt,
    ) {}
}
