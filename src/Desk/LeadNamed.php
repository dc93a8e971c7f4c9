<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\People\PersonShown;

/** Whom a row names to lead a site: member `leads` of schema `SiteBatchRow`. */
final readonly class LeadNamed
{
    /**
     * @param string            $text       as it was written
     * @param ?string           $person     id; null until one of the candidates is chosen
     * @param list<PersonShown> $candidates
     */
    public function __construct(public string $text, public ?string $person, public array $candidates) {}
}
