<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Settings as somebody wants them: looked at only, or put in force. */
final readonly class SettingsRequest
{
    /** @param array<string, mixed> $settings schema `Settings` */
    public function __construct(public array $settings, public bool $apply = false) {}
}
