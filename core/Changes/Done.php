<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** A line that was applied to one enrollment. */
final readonly class Done
{
    /**
     * @param int     $version of the enrollment afterwards: later lines have higher ones
     * @param ?string $undoes  id of the line it took back, null for a change of its own
     */
    public function __construct(public string $id, public int $version, public ?string $undoes = null) {}
}
