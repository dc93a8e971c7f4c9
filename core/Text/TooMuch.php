<?php

declare(strict_types=1);

namespace MintDoor\Core\Text;

/** More than is read at once. */
final class TooMuch extends \RuntimeException
{
    /**
     * @param string $problem "too-many" rows, or a row that is "too-long"
     * @param int    $row     number of the first line that is too much
     */
    public function __construct(public readonly string $problem, public readonly int $row)
    {
        parent::__construct($problem);
    }
}
