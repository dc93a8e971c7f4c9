<?php

declare(strict_types=1);

namespace MintDoor\Core\Items;

/** What somebody is in a site, as far as it decides what they see. */
final readonly class Viewer
{
    /**
     * @param list<string> $sections ids
     * @param list<string> $roles    codes
     * @param list<string> $labels   names, in small letters
     * @param bool         $makes    whether they make items, and see all of them
     * @param list<string> $groups   ids
     */
    public function __construct(
        public array $sections = [],
        public array $roles = [],
        public array $labels = [],
        public bool $makes = false,
        public array $groups = [],
    ) {}

    /** @param list<string> $labels names, in any letters */
    public function labelled(array $labels): self
    {
        return new self(
            $this->sections,
            $this->roles,
            array_map(mb_strtolower(...), $labels),
            $this->makes,
            $this->groups
        );
    }

    /** @param list<string> $groups ids */
    public function inGroups(array $groups): self
    {
        return new self($this->sections, $this->roles, $this->labels, $this->makes, $groups);
    }

    /** What is the same for all who are alike. */
    public function key(): string
    {
        return implode("\1", [
            implode("\2", $this->sections),
            implode("\2", $this->roles),
            implode("\2", $this->labels),
            implode("\2", $this->groups),
            $this->makes ? '1' : '',
        ]);
    }
}
