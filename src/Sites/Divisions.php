<?php

declare(strict_types=1);

namespace MintDoor\Sites;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\Row;

/** The parts of the organisation. */
final readonly class Divisions
{
    public function __construct(private Connection $db) {}

    /** @return array<string, array{id: string, name: string}> by code */
    public function all(): array
    {
        $all = [];
        foreach (Row::all($this->db->fetchAllAssociative('SELECT id, code, name FROM division')) as $row) {
            $all[$row->string('code')] = ['id' => $row->id('id'), 'name' => $row->string('name')];
        }

        return $all;
    }
}
