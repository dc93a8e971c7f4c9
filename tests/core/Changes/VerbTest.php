<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Changes;

use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Messages\MessageKind;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class VerbTest extends TestCase
{
    #[TestWith([Verb::LetIn, MessageKind::LetIn])]
    #[TestWith([Verb::BringBack, MessageKind::LetIn])]
    #[TestWith([Verb::ChangeRole, MessageKind::RoleChanged])]
    #[TestWith([Verb::Remove, MessageKind::Removed])]
    #[TestWith([Verb::Block, null])]
    #[TestWith([Verb::Pause, null])]
    public function testWhatAChangeIsToldAs(Verb $verb, ?MessageKind $kind): void
    {
        self::assertSame($kind, $verb->toldAs());
    }
}
