<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\Template;

/** The words of a kind of message that are used. */
final readonly class TextInUse
{
    /** @param 'site'|'division'|'platform'|'first'|'unsaved' $of whose they are */
    public function __construct(public Template $template, public string $of) {}
}
