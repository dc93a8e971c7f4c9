<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `SettingsVersion`: who put settings in force, and when. */
final readonly class SettingsVersionShown
{
    /**
     * @param ?string $madeAt instant
     * @param ?string $madeBy null for what was there before anybody set it
     */
    public function __construct(public int $version, public ?string $madeAt, public ?string $madeBy) {}
}
