<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\FactsFirst;

/** Schema `Split`: one way of dividing people, its groups, and who is in which. */
final readonly class SplitAnswer implements \JsonSerializable
{
    use FactsFirst;

    /**
     * @param list<GroupShown>                             $list
     * @param list<array{person: string, group: ?string}>  $places of everybody it is about whom the caller sees, in
     *     the order of their names; null for who is in none
     * @param ?string                                      $changeList id of the change list that put people into it
     *     just now
     */
    public function __construct(
        public SplitShown $facts,
        public array $list,
        public array $places,
        public ?string $changeList = null,
    ) {}
}
