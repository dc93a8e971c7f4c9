<?php

declare(strict_types=1);

namespace MintDoor\Sites\Repository;

use MintDoor\Shared\BaseRepository;
use MintDoor\Sites\Entity\Division;

/**
 * The parts of the organisation.
 *
 * @extends BaseRepository<Division>
 */
final class Divisions extends BaseRepository
{
    protected const ENTITY = Division::class;

    /** @return array<string, Division> by code */
    public function all(): array
    {
        return array_column($this->findAll(), null, 'code');
    }

    /** @return array<string, string> names by code */
    public function names(): array
    {
        return array_column($this->findAll(), 'name', 'code');
    }

    public function withCode(string $code): ?Division
    {
        return $this->findOneBy(['code' => $code]);
    }
}
