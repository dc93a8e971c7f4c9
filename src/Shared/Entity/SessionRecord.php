<?php

declare(strict_types=1);

namespace MintDoor\Shared\Entity;

use Doctrine\ORM\Mapping as ORM;

/**
 * A browser that is signed in, or about to be. Written and read by `SessionStore`, a row a statement, at every request.
 * Of whom it is stands as an id: this room knows no people.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'session')]
#[ORM\Index(name: 'by_person', columns: ['person_id'])]
#[ORM\Index(name: 'touched', columns: ['touched_at'])]
#[ORM\Index(name: 'ends', columns: ['ends_at'])]
class SessionRecord
{
    public function __construct(
        /** The hash of what the browser's cookie holds. */
        #[ORM\Id] #[ORM\Column(type: 'bytes', length: 32, options: ['fixed' => true])] public readonly string $id,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $personId,
        #[ORM\Column(type: 'blob', length: 65_535)] public readonly mixed $data,
        #[ORM\Column(type: 'instant')]
        public readonly int $touchedAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        #[ORM\Column(type: 'instant')]
        public readonly int $endsAt,
        #[ORM\Column(length: 45, nullable: true)] public readonly ?string $address = null,
        #[ORM\Column(length: 40, options: ['default' => ''])] public readonly string $device = '',
        #[ORM\Column(options: ['default' => 0])] public readonly bool $renew = false,
    ) {}
}
