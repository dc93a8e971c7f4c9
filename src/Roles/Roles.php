<?php

declare(strict_types=1);

namespace MintDoor\Roles;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Limits;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\Hall\Row;
use Symfony\Contracts\Service\ResetInterface;

/** The rules as the platform has set them; read once a request, and again when they turn out to have changed. */
final class Roles implements ResetInterface
{
    private ?Rules $rules = null;

    private int $version = 0;

    public function __construct(private readonly Connection $db)
    {
    }

    public function book(): RoleBook
    {
        return $this->rules()->roles;
    }

    public function limits(): Limits
    {
        return $this->rules()->limits;
    }

    public function rules(): Rules
    {
        if (null === $this->rules) {
            $row = $this->db->fetchAssociative('SELECT version, settings FROM rule_book ORDER BY version DESC LIMIT 1');
            $row = new Row(false === $row ? [] : $row);
            $this->rules = RulesCodec::read($row->json('settings'));
            $this->version = $row->int('version');
        }

        return $this->rules;
    }

    public function version(): int
    {
        $this->rules();

        return $this->version;
    }

    /** Whoever reads under a lock says which version holds there: what was read before it may be older. */
    public function expect(int $version): void
    {
        if (null !== $this->rules && $version !== $this->version) {
            $this->reset();
        }
    }

    public function reset(): void
    {
        $this->rules = null;
    }
}
