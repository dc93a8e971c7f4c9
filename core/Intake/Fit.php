<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** How words of a line stand for somebody's names. */
final readonly class Fit
{
    /**
     * @param list<int> $used    words, by their place
     * @param list<int> $family  those of them that stand for a family name
     * @param list<int> $left    words that stand for nothing
     * @param bool      $clear   whether they may be taken, where nobody else comes into question
     * @param bool      $weak    whether it takes the site to be for them: an initial, a slip, a part of a name
     * @param bool      $ordered whether given names stand in the order in which the directory has them
     * @param list<string> $pairs keys of the names that the words stand for
     * @param bool         $mixed whether given names of several of their names are taken for one
     */
    public function __construct(
        public Evidence $evidence,
        public array $used,
        public array $family,
        public array $left,
        public bool $clear,
        public bool $weak,
        public bool $ordered,
        public array $pairs,
        public bool $mixed = false,
    ) {}
}
