<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `SettingsPlan`: what a file would change, or did. */
final readonly class SettingsPlan
{
    /**
     * @param bool   $otherRules whether the rules become others
     * @param string $version    of the settings and of the rules that hold, such as 3.5
     */
    public function __construct(
        public ?SettingsPreview $settings,
        public ?RulesPreview $rules,
        public bool $otherRules,
        public string $version,
    ) {}

    public function changesNothing(): bool
    {
        return [] === ($this->settings->differences ?? []) && !$this->otherRules;
    }

    /** @return list<array{where: string, code: string, values: \stdClass}> */
    public function problems(): array
    {
        return [...$this->settings->problems ?? [], ...$this->rules->problems ?? []];
    }
}
