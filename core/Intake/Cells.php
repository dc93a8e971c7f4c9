<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** The cells of a row. */
final readonly class Cells
{
    /**
     * @param non-empty-list<string> $texts
     * @param bool                   $columns whether it is a row of several columns that say more than a name
     */
    public function __construct(public array $texts, public bool $columns) {}
}
