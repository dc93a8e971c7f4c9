<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** Something that is wrong with settings or rules as somebody wants them, and where. */
final readonly class SettingsProblem
{
    /**
     * @param string                    $where  of which part, such as `divisions/arts/parent`, `roles/tutor/givenBy`
     * @param string                    $code   one of those in `SettingsLaws` or `Core\Roles\RuleLaws`
     * @param array<string, string|int> $values
     */
    public function __construct(public string $where, public string $code, public array $values = []) {}
}
