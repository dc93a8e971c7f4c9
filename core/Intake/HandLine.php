<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** How somebody said by hand that a line is to be read; its pieces are named by their place. */
final readonly class HandLine
{
    /**
     * @param bool               $one   whether it is about one person, whatever it looks like
     * @param list<int>          $cuts  pieces with which another person begins
     * @param array<int, Column> $words what pieces are: a given name, a family name, or a remark
     * @param bool               $meant whether somebody is meant, though nobody was found
     */
    public function __construct(
        public bool $one = false,
        public array $cuts = [],
        public array $words = [],
        public bool $meant = false,
    ) {}
}
