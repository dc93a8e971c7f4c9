<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Shared\Row;

/** Whom lines may mean. */
final readonly class PeopleFound
{
    /**
     * @param list<Row>           $rows    as `Directory::find()`
     * @param array<string, bool> $crowded pairs of names that so many bear that nobody is taken by them, as
     *                                     `Circumstances` has them
     */
    public function __construct(public array $rows, public array $crowded) {}
}
