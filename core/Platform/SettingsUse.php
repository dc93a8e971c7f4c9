<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** How much of what is set is in use: it cannot go before that does. */
final readonly class SettingsUse
{
    /**
     * @param array<string, int>             $people by division
     * @param array<string, int>             $sites  by division
     * @param array<string, int>             $terms  sites, by term
     * @param array<string, array<int, int>> $levels people by division and level
     * @param array<string, int>             $traces whatever points to a division, also what is over: people who are
     *                                               gone, sites taken back, who administers it
     * @param array<string, true>            $codes  short codes of sites, of those that settings speak of
     * @param array<string, RoleKnown>       $roles  by code
     * @param array<string, array<string, int>> $details people by detail and by what is kept under it
     * @param array<string, int>             $kinds  people by the code of a kind beside the four
     */
    public function __construct(
        public array $people = [],
        public array $sites = [],
        public array $terms = [],
        public array $levels = [],
        public array $traces = [],
        public array $codes = [],
        public array $roles = [],
        public array $details = [],
        public array $kinds = [],
    ) {}
}
