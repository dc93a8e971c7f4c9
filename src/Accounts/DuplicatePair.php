<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Shared\Row;

/** Two who are likely one. */
final readonly class DuplicatePair
{
    /**
     * @param Row          $one      with `PersonRow::COLUMNS` and `used_at`
     * @param Row          $other    the same
     * @param list<string> $evidence codes
     */
    public function __construct(public Row $one, public Row $other, public array $evidence) {}

    /** @return array{int, string, string} by what pairs are sorted: the best evidence first */
    public function rank(): array
    {
        return [-\count($this->evidence), $this->one->string('sort_name'), $this->one->id('person_id')];
    }
}
