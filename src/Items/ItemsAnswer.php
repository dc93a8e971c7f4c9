<?php

declare(strict_types=1);

namespace MintDoor\Items;

/** Schema `Items`. */
final readonly class ItemsAnswer
{
    /**
     * @param ?string                                                          $at     the instant it is about
     * @param ?int                                                             $people who could see something then
     * @param list<ItemShown>                                                  $items  in their order
     * @param list<array{id: string, name: string, visibility: object, items: int}> $named
     * @param list<GroupOffered>                                               $groups those of the site, for staff
     * @param list<LeakShown>                                                  $leaks
     * @param int                                                              $version of the site, for `If-Match`
     * @param bool                                                             $may    whether the caller says who sees
     */
    public function __construct(
        public ?string $at,
        public ?int $people,
        public array $items,
        public array $named,
        public array $groups,
        public array $leaks,
        public int $version,
        public bool $may,
        public ?int $entry = null,
    ) {}
}
