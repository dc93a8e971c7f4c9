<?php

declare(strict_types=1);

namespace MintDoor\Roles;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Limits;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\People\RolesThatLetIn;
use MintDoor\Shared\Row;
use Symfony\Contracts\Service\ResetInterface;

/** The rules as the platform has set them; read once a request, and again when they turn out to have changed. */
final class Roles implements ResetInterface, RolesThatLetIn
{
    private ?Rules $rules = null;

    private int $version = 0;

    /** @var array{int, string}|null version and when it was made, where that is known before it is read */
    private ?array $expected = null;

    public function __construct(private readonly Connection $db) {}

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
        return $this->rules ??= $this->known() ?? $this->read();
    }

    public function version(): int
    {
        $this->rules();

        return $this->version;
    }

    /**
     * Whoever reads under a lock says which version holds there: what was read before it may be older.
     *
     * @param string $madeAt when that version was made, as the database has it
     */
    public function expect(int $version, string $madeAt): void
    {
        if (null !== $this->rules && $version !== $this->version) {
            $this->rules = null;
        }
        $this->expected = [$version, $madeAt];
    }

    public function reset(): void
    {
        $this->rules = null;
        $this->expected = null;
    }

    /** Rules of a version never change, so that a machine may keep them. */
    private function known(): ?Rules
    {
        if (null === $this->expected || !apcu_enabled()) {
            return null;
        }
        $kept = apcu_fetch($this->key(...$this->expected));
        if (!$kept instanceof Rules) {
            return null;
        }
        $this->version = $this->expected[0];

        return $kept;
    }

    private function read(): Rules
    {
        $row = $this->db->fetchAssociative(
            'SELECT version, made_at, settings FROM rule_book ORDER BY version DESC LIMIT 1',
        );
        $row = new Row(false === $row ? [] : $row);
        $rules = RulesCodec::read($row->json('settings'));
        $this->version = $row->int('version');
        if (apcu_enabled()) {
            apcu_store($this->key($this->version, $row->string('made_at')), $rules, 3_600);
        }

        return $rules;
    }

    private function key(int $version, string $madeAt): string
    {
        return 'mint-door.rules.'.($this->db->getParams()['dbname'] ?? '').'.'.$version.'.'.$madeAt;
    }

    public function rolesThatLetIn(): array
    {
        return $this->book()->holdersOf(Permission::LetIn);
    }
}
