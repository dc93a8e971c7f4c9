<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** A file of settings: looked at only, or put in force. */
final readonly class SettingsFileRequest
{
    public function __construct(public string $text, public bool $apply = false) {}
}
