<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Roles\Rules;

/** What a file says a platform should be; null for a part it leaves as it is. */
final readonly class SettingsWanted
{
    public function __construct(public ?Settings $settings, public ?Rules $rules) {}
}
