<?php

declare(strict_types=1);

namespace MintDoor\History\Entity;

use Doctrine\ORM\Mapping as ORM;

/** What happened: codes and values, never sentences. Append-only, but that an entry that was undone says by which. */
#[ORM\Entity]
#[ORM\Table(name: 'history_entry')]
#[ORM\UniqueConstraint(columns: ['site_id', 'sequence'])]
#[ORM\Index(columns: ['line_id'])]
#[ORM\Index(name: 'by_subject', columns: ['person_id', 'at'])]
class HistoryEntry
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(type: 'id')] public readonly string $siteId,
        #[ORM\Column(type: 'integer')] public readonly int $sequence,
        #[ORM\Column(type: 'instant')] public readonly int $at,
        #[ORM\Column(type: 'id')] public readonly string $actorId,
        #[ORM\Column(length: 32, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public readonly string $code,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')] public readonly array $data,
        #[ORM\Column(type: 'id', nullable: true)] public readonly ?string $personId = null,
        #[ORM\Column(type: 'id', nullable: true)] public readonly ?string $lineId = null,
        #[ORM\Column(length: 45, nullable: true, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public readonly ?string $address = null,
        #[ORM\Column(type: 'smallint')] public readonly int $schemaVersion = 1,
        #[ORM\Column(type: 'integer', nullable: true)] public ?int $undoneBy = null,
    ) {}
}
