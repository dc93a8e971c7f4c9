<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Who goes into which section, and who finds no place. */
final readonly class Plan
{
    /**
     * @param array<string, string> $places   section by person
     * @param list<string>          $unplaced people
     */
    public function __construct(public array $places, public array $unplaced) {}
}
