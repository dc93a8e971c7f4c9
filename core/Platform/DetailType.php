<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** What is written under a detail of people. */
enum DetailType: string
{
    case Text = 'text';
    case Choice = 'choice';
    case Date = 'date';
    case Number = 'number';
}
