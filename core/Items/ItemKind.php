<?php

declare(strict_types=1);

namespace MintDoor\Core\Items;

/** What an item of a site is, as the learning platform has it. */
enum ItemKind: string
{
    case Announcement = 'announcement';
    /** Others stand in it, and are seen with it only. */
    case Unit = 'unit';
    case Meeting = 'meeting';
    case Discussion = 'discussion';
    case Task = 'task';
    case Quiz = 'quiz';

    /** Whether learners hand something in. */
    public function handsIn(): bool
    {
        return self::Task === $this || self::Quiz === $this;
    }
}
