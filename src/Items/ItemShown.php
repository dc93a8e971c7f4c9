<?php

declare(strict_types=1);

namespace MintDoor\Items;

/** Schema `Item`. */
final readonly class ItemShown
{
    /**
     * @param ?string              $unit       id of the unit it stands in
     * @param list<string>         $names      ids of the items that it names
     * @param ?object              $visibility who sees it; null for who is not to know
     * @param ?string              $named      id of the sentence with a name that says so
     * @param ?int                 $sees       how many people see it; null for who is not to know
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $title,
        public ?string $unit,
        public array $names,
        public ?object $visibility,
        public ?string $named,
        public ?int $sees,
    ) {}
}
