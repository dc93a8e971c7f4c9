<?php

declare(strict_types=1);

namespace MintDoor\Messages\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;

/** What somebody is told on the screen about their own account. */
#[ORM\Entity]
#[ORM\Table(name: 'notice')]
#[ORM\Index(name: 'unseen', columns: ['person_id', 'seen_at'])]
class Notice
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $code,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')] public readonly array $data,
        #[ORM\Column(type: 'instant')]
        public readonly int $at,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'by_id')]
        public readonly ?Person $by = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $seenAt = null,
    ) {}
}
