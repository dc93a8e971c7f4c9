<?php

declare(strict_types=1);

namespace MintDoor\Roles;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Hall\Row;
use Symfony\Contracts\Service\ResetInterface;

/** The roles as the platform has set them; read once a request. */
final class Roles implements ResetInterface
{
    private ?RoleBook $book = null;

    public function __construct(private readonly Connection $db)
    {
    }

    public function book(): RoleBook
    {
        return $this->book ??= new RoleBook(array_map(
            static fn (Row $row): Role => RoleCodec::role($row->string('code'), $row->json('settings')),
            Row::all($this->db->fetchAllAssociative('SELECT code, settings FROM role')),
        ));
    }

    public function reset(): void
    {
        $this->book = null;
    }
}
