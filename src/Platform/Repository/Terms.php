<?php

declare(strict_types=1);

namespace MintDoor\Platform\Repository;

use MintDoor\Platform\Entity\Term;
use MintDoor\Shared\BaseRepository;

/** @extends BaseRepository<Term> */
final class Terms extends BaseRepository
{
    protected const ENTITY = Term::class;

    /** @return list<Term> the first one first */
    public function all(): array
    {
        return $this->findBy([], ['startsOn' => 'ASC', 'code' => 'ASC']);
    }

    /** @return array<string, string> names by code */
    public function names(): array
    {
        return array_column($this->all(), 'name', 'code');
    }

    public function withCode(string $code): ?Term
    {
        return $this->findOneBy(['code' => $code]);
    }
}
