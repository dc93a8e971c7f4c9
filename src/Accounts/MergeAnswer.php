<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Changes\ReviewAnswer;
use MintDoor\People\PersonShown;

/** Schema `Merge`: what merging two people would do, or did. */
final readonly class MergeAnswer
{
    /**
     * @param array<string, mixed> $facts      who they are afterwards, as `Facts::kept()`
     * @param ?string              $login      of the account that stays
     * @param ?string              $closes     login of the account that is closed
     * @param list<RoleChoice>     $choices    sites where somebody has to choose
     * @param ReviewAnswer         $review     of what changes in their sites
     * @param ?string              $changeList id; null where nothing was merged yet
     */
    public function __construct(
        public PersonShown $stays,
        public PersonShown $goes,
        public array $facts,
        public ?string $login,
        public ?string $closes,
        public array $choices,
        public ReviewAnswer $review,
        public bool $ready,
        public ?string $changeList,
    ) {}
}
