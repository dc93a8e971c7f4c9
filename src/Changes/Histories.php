<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\ChangeHistory;

/** What was changed for several people, or for one in several sites. */
final readonly class Histories
{
    /**
     * @param array<string, ChangeHistory> $histories by person, or by site
     * @param array<string, int>           $sequences of the history's entries, by id of the applied line
     */
    public function __construct(private array $histories = [], private array $sequences = []) {}

    /** @param ?string $id of a person, or of a site */
    public function of(?string $id): ?ChangeHistory
    {
        return $this->histories[$id ?? ''] ?? null;
    }

    public function sequence(string $lineId): ?int
    {
        return $this->sequences[$lineId] ?? null;
    }
}
