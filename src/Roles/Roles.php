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

    /** What holds, with which they were read (`RuleBooks::HOLDING`). */
    private string $holding = '';

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

        return (int) $this->holding;
    }

    /**
     * Whoever reads under a lock says what holds there: what was read before it may be older.
     *
     * @param ?string $rules    as `RuleBooks::HOLDING`
     * @param ?string $settings which have the tree of divisions
     */
    public function expect(?string $rules, ?string $settings): void
    {
        $this->platform->expect($settings);
        $holding = self::holding($rules, $settings);
        if (null !== $this->rules && $holding !== $this->holding) {
            $this->rules = null;
        }
        $this->rules ??= $this->remembered($holding);
    }

    public function reset(): void
    {
        $this->rules = null;
    }

    /** Rules of a version never change, so that a machine may keep them. */
    private function remembered(string $holding): ?Rules
    {
        $kept = apcu_enabled() ? apcu_fetch($this->key($holding)) : null;
        if (!$kept instanceof RulesKept) {
            return null;
        }
        [$this->holding, $this->details] = [$holding, $kept->details];

        return $kept->rules;
    }

    private function read(): Rules
    {
        // Which version holds is asked each time; what it says, only where this machine does not know it.
        $row = $this->books->holding();
        $this->platform->expect($row->stringOrNull('settings_holding'));
        $holding = self::holding($row->stringOrNull('rules_holding'), $row->stringOrNull('settings_holding'));
        $kept = $this->remembered($holding);
        if (null !== $kept) {
            return $kept;
        }
        $settings = $this->platform->of((int) $row->stringOrNull('settings_holding'));
        $rules = RulesCodec::read($this->books->find((int) $holding)->settings ?? [])
            ->over($this->divisions->tree(), $settings->kinds);
        [$this->holding, $this->details] = [$holding, $settings->details];
        if (apcu_enabled()) {
            apcu_store($this->key($holding), new RulesKept($rules, $this->details), 3_600);
        }

        return $rules;
    }

    private static function holding(?string $rules, ?string $settings): string
    {
        return ($rules ?? '0').' '.($settings ?? '0');
    }

    private function key(string $holding): string
    {
        return implode('.', ['mint-door.rules', $this->books->database(), $holding]);
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
