<?php

declare(strict_types=1);

namespace MintDoor\Changes\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/**
 * One line of a change list as it was asked for, and what came of it. Written and read by `ChangeLists`, many rows at
 * once; site and person are looked for when it is applied.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'change_request')]
#[ORM\Index(name: 'outcome', columns: ['change_list_id', 'outcome'])]
class RequestedLine
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly ChangeList $changeList,
        #[ORM\Id] #[ORM\Column] public readonly int $position,
        #[ORM\Column(type: 'id')]
        public readonly string $siteId,
        #[ORM\Column(type: 'id')]
        public readonly string $personId,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')] public readonly array $request,
        #[ORM\Column(length: 16, nullable: true, options: Charset::CODE)]
        public readonly ?string $outcome = null,
        /** @var ?list<array<string, mixed>> */
        #[ORM\Column(type: 'json', nullable: true)] public readonly ?array $reasons = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $lineId = null,
    ) {}
}
