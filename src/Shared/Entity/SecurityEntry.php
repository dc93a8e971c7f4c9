<?php

declare(strict_types=1);

namespace MintDoor\Shared\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/**
 * One entry of the security log, chained to those before. Append-only, written by `SecurityLog`; it names whom it is
 * about by id, so that it never depends on another table.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'security_entry')]
#[ORM\Index(name: 'at', columns: ['at'])]
#[ORM\Index(name: 'person', columns: ['person_id', 'sequence'])]
#[ORM\Index(name: 'by_whom', columns: ['by_id', 'sequence'])]
#[ORM\Index(name: 'division', columns: ['division_id', 'sequence'])]
class SecurityEntry
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'bigint')] public readonly int $sequence,
        #[ORM\Column(type: 'instant')]
        public readonly int $at,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $code,
        /** Keyed hash of the browser's address. */
        #[ORM\Column(length: 64, options: [...Charset::CODE, 'fixed' => true])] public readonly string $place,
        /** Sealed. */
        #[ORM\Column(type: 'text', length: 65_535)] public readonly string $data,
        #[ORM\Column(length: 64, options: [...Charset::CODE, 'fixed' => true])] public readonly string $hash,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $personId = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $byId = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $siteId = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $divisionId = null,
        #[ORM\Column(length: 45, nullable: true)] public readonly ?string $address = null,
    ) {}
}
