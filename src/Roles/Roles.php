<?php

declare(strict_types=1);

namespace MintDoor\Roles;

use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Roles\Limits;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Rules;
use MintDoor\People\PersonRow;
use MintDoor\People\RolesThatLetIn;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Repository\RuleBooks;
use MintDoor\Shared\Caller;
use Symfony\Contracts\Service\ResetInterface;

/**
 * The rules as the platform has set them, where whatever holds for a division holds for those below it; read once a
 * request, and again when they turn out to have changed.
 */
final class Roles implements ResetInterface, RolesThatLetIn
{
    private ?Rules $rules = null;

    /** @var list<Detail> of the settings that they were read with */
    private array $details = [];

    private int $version = 0;

    /** Of the settings, with whose tree of divisions they were read. */
    private int $settings = 0;

    /** Under which name a machine remembers the version that holds, where that is known before it is read. */
    private ?string $key = null;

    public function __construct(
        private readonly RuleBooks $books,
        private readonly Divisions $divisions,
        private readonly PlatformSettings $platform,
    ) {}

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
        return $this->rules ??= $this->read();
    }

    /** @return list<Detail> of people: nearly every list asks for them */
    public function details(): array
    {
        $this->rules();

        return $this->details;
    }

    public function version(): int
    {
        $this->rules();

        return $this->version;
    }

    /**
     * Whoever reads under a lock says which version holds there: what was read before it may be older.
     *
     * @param int $madeAt   when that version was made
     * @param int $settings the version of the settings, which have the tree of divisions
     */
    public function expect(int $version, int $madeAt, int $settings): void
    {
        if (null !== $this->rules && [$version, $settings] !== [$this->version, $this->settings]) {
            $this->rules = null;
        }
        $this->key = $this->key($version, $madeAt, $settings);
        if (null === $this->rules) {
            $this->rules = $this->remembered();
            if (null !== $this->rules) {
                [$this->version, $this->settings] = [$version, $settings];
            }
        }
    }

    public function reset(): void
    {
        $this->rules = null;
        $this->key = null;
    }

    /** Rules of a version never change, so that a machine may keep them. */
    private function remembered(): ?Rules
    {
        $kept = null !== $this->key && apcu_enabled() ? apcu_fetch($this->key) : null;
        if (!$kept instanceof RulesKept) {
            return null;
        }
        $this->details = $kept->details;

        return $kept->rules;
    }

    private function read(): Rules
    {
        // Which version holds is asked each time; what it says, only where this machine does not know it.
        $last = $this->books->lastVersion();
        $this->version = $last?->int('version') ?? 0;
        $this->settings = $last?->int('settings') ?? 0;
        $this->key = apcu_enabled() && null !== $last
            ? $this->key($this->version, $last->instant('made_at'), $this->settings)
            : null;
        $kept = $this->remembered();
        if (null !== $kept) {
            return $kept;
        }
        $book = $this->books->find($this->version);
        $settings = $this->platform->of($this->settings);
        $rules = RulesCodec::read($book->settings ?? [])->over($this->divisions->tree(), $settings->kinds);
        $this->details = $settings->details;
        if (null !== $this->key) {
            apcu_store($this->key, new RulesKept($rules, $this->details), 3_600);
        }

        return $rules;
    }

    private function key(int $version, int $madeAt, int $settings): string
    {
        return implode('.', ['mint-door.rules', $this->books->database(), $version, $madeAt, $settings]);
    }

    public function rolesThatLetIn(Caller $caller): array
    {
        return $this->letting($caller, Permission::LetIn);
    }

    /** @return list<string> codes of the roles in which the caller may do something */
    public function letting(Caller $caller, Permission $permission): array
    {
        return $this->book()->letting(PersonRow::caller($caller), $permission);
    }
}
