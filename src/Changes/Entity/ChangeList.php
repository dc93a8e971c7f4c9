<?php

declare(strict_types=1);

namespace MintDoor\Changes\Entity;

use Doctrine\ORM\Mapping as ORM;

/** A prepared set of changes, applied as one. */
#[ORM\Entity]
#[ORM\Table(name: 'change_list')]
#[ORM\Index(columns: ['site_id', 'made_at'])]
#[ORM\Index(name: 'by_maker', columns: ['made_by', 'made_at'])]
#[ORM\Index(name: 'by_kind', columns: ['kind', 'made_at'])]
#[ORM\Index(name: 'by_undone', columns: ['undoes'])]
class ChangeList
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        /** Null for a change list over several sites. */
        #[ORM\Column(type: 'id', nullable: true)] public ?string $siteId,
        #[ORM\Column(type: 'id')] public string $madeBy,
        #[ORM\Column(type: 'instant')] public int $madeAt,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public string $state = 'applied',
        /** How it began. */
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin', 'default' => 'single'])]
        public string $kind = 'single',
        #[ORM\Column(length: 160, options: ['default' => ''])] public string $title = '',
        #[ORM\Column(options: ['default' => 1])] public int $version = 1,
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $changedAt = null,
        /** Who worked on it last, and with whose rights it is applied. */
        #[ORM\Column(type: 'id', nullable: true)] public ?string $changedBy = null,
        /** What somebody made of it so far, as JSON. */
        #[ORM\Column(type: 'text', length: 4_294_967_295, nullable: true)] public ?string $work = null,
        /** @var ?array<string, mixed> what undoing it needs; clients never write it */
        #[ORM\Column(type: 'json', nullable: true)] public ?array $undoData = null,
        #[ORM\Column(options: ['default' => 0])] public int $total = 0,
        /** Lines that were looked at while it is applied. */
        #[ORM\Column(options: ['default' => 0])] public int $done = 0,
        #[ORM\Column(options: ['default' => 0])] public int $applied = 0,
        /** @var ?array<string, int> how many people it takes out, by site, as whoever applies it said */
        #[ORM\Column(type: 'json', nullable: true)] public ?array $removing = null,
        /** The change list it takes back. */
        #[ORM\Column(type: 'id', nullable: true)] public ?string $undoes = null,
        /** Words of whoever applies it for those who are told; null tells nobody. */
        #[ORM\Column(length: 2_000, nullable: true)] public ?string $tell = null,
        /** Why it stopped while it was applied. */
        #[ORM\Column(length: 32, nullable: true, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public ?string $trouble = null,
    ) {}
}
