<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;

/**
 * One row of a list of accounts to be made, and what came of it. Written and read by `AccountLists`, many rows at once.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'account_row')]
#[ORM\Index(name: 'person', columns: ['person_id'])]
class AccountRow
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly ChangeList $changeList,
        #[ORM\Id] #[ORM\Column] public readonly int $position,
        /** @var array<string, mixed> */
        #[ORM\Column(name: '`row`', type: 'json')] public readonly array $row,
        #[ORM\Column(length: 16, nullable: true, options: Charset::CODE)]
        public readonly ?string $outcome = null,
        /** @var ?list<array<string, mixed>> */
        #[ORM\Column(type: 'json', nullable: true)] public readonly ?array $reasons = null,
        #[ORM\ManyToOne]
        public readonly ?Person $person = null,
        #[ORM\Column(length: 16, nullable: true, options: Charset::CODE)]
        public readonly ?string $made = null,
    ) {}
}
