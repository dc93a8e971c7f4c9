<?php

declare(strict_types=1);

namespace MintDoor\History\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;

/**
 * What happened: codes and values, never sentences. Append-only, but that an entry that was undone says by which. It is
 * the record of who did what, and names site, doer and line by id: the site of what is done to the platform is all
 * zeros, and lines belong to a room that this one does not know.
 */
#[ORM\Entity]
#[ORM\Table(name: 'history_entry')]
#[ORM\UniqueConstraint(columns: ['site_id', 'sequence'])]
#[ORM\Index(columns: ['line_id'])]
#[ORM\Index(name: 'by_subject', columns: ['person_id', 'at'])]
class HistoryEntry
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(type: 'id')]
        public readonly string $siteId,
        #[ORM\Column] public readonly int $sequence,
        #[ORM\Column(type: 'instant')]
        public readonly int $at,
        #[ORM\Column(type: 'id')]
        public readonly string $actorId,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $code,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')] public readonly array $data,
        #[ORM\ManyToOne]
        public readonly ?Person $person = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $lineId = null,
        #[ORM\Column(length: 45, nullable: true, options: Charset::CODE)]
        public readonly ?string $address = null,
        #[ORM\Column(type: 'smallint')] public readonly int $schemaVersion = 1,
        #[ORM\Column(nullable: true)] public ?int $undoneBy = null,
    ) {}
}
