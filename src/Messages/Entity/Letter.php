<?php

declare(strict_types=1);

namespace MintDoor\Messages\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** What arrived in a simulated inbox. */
#[ORM\Entity]
#[ORM\Table(name: 'letter')]
#[ORM\UniqueConstraint(name: 'once', columns: ['id'])]
#[ORM\Index(name: 'address', columns: ['address', 'number'])]
class Letter
{
    public function __construct(
        /** As its `Message-ID`. */
        #[ORM\Column(length: 120, options: Charset::CODE)]
        public readonly string $id,
        #[ORM\Column(length: 190, options: Charset::EXACT)] public readonly string $address,
        #[ORM\Column(type: 'instant')]
        public readonly int $arrivedAt,
        #[ORM\Column(length: 400)] public readonly string $subject,
        /** Sealed, as `html`. */
        #[ORM\Column(type: 'text', length: 65_535)] public readonly string $text,
        #[ORM\Column(type: 'text', length: 16_777_215)] public readonly string $html,
        /** In the order of arrival. */
        #[ORM\Id] #[ORM\GeneratedValue] #[ORM\Column(type: 'bigint')] public ?int $number = null,
    ) {}
}
