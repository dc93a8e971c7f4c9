<?php

declare(strict_types=1);

namespace MintDoor\Intake;

/** Pairs of names by how many bear them. */
final readonly class Bearers
{
    /**
     * @param list<string>        $all        all of whose bearers are looked at
     * @param list<string>        $ofDivision of whose bearers those of the site's division are
     * @param list<string>        $few        of whose bearers only some are
     * @param array<string, bool> $crowded    those with many bearers; whether too many in the division too
     */
    public function __construct(
        public array $all,
        public array $ofDivision,
        public array $few,
        public array $crowded,
    ) {}
}
