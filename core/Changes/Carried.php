<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** What carrying one person from one site to another does in either. */
final readonly class Carried
{
    /**
     * @param list<Effect>            $into     in the site they come to
     * @param list<Effect>            $outOf    in the site they come from
     * @param list<Note>              $cautions what to know of it
     * @param ?non-empty-list<string> $between  roles somebody has to choose from, before anything is done
     */
    public function __construct(
        public array $into,
        public array $outOf = [],
        public array $cautions = [],
        public ?array $between = null,
    ) {}
}
