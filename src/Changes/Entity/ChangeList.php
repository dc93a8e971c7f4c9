<?php

declare(strict_types=1);

namespace MintDoor\Changes\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** A prepared set of changes, applied as one. */
#[ORM\Entity]
#[ORM\Table(name: 'change_list')]
#[ORM\Index(columns: ['site_id', 'made_at'])]
#[ORM\Index(name: 'by_maker', columns: ['made_by', 'made_at'])]
#[ORM\Index(name: 'by_state', columns: ['made_by', 'state', 'made_at'])]
#[ORM\Index(name: 'by_kind', columns: ['kind', 'made_at'])]
#[ORM\Index(name: 'by_undone', columns: ['undoes'])]
class ChangeList
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        /** Null for a change list over several sites. */
        #[ORM\ManyToOne]
        public readonly ?Site $site,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'made_by', nullable: false)]
        public readonly Person $madeBy,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public string $state = 'applied',
        /** How it began. */
        #[ORM\Column(
            length: 16,
            options: [...Charset::CODE, 'default' => 'single']
        )] public readonly string $kind = 'single',
        #[ORM\Column(length: 160, options: ['default' => ''])] public string $title = '',
        #[ORM\Column(options: ['default' => 1])] public int $version = 1,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $changedAt = null,
        /** Who worked on it last, and with whose rights it is applied. */
        #[ORM\Column(type: 'id', nullable: true)]
        public ?string $changedBy = null,
        /** What somebody made of it so far, as JSON. */
        #[ORM\Column(type: 'text', length: 4_294_967_295, nullable: true)] public ?string $work = null,
        /** @var ?array<string, mixed> what undoing it needs; clients never write it */
        #[ORM\Column(type: 'json', nullable: true)] public ?array $undoData = null,
        #[ORM\Column(options: ['default' => 0])] public int $total = 0,
        /** Lines that were looked at while it is applied. */
        #[ORM\Column(options: ['default' => 0])] public int $done = 0,
        #[ORM\Column(options: ['default' => 0])] public int $applied = 0,
        /** @var ?array<string, int> how many people it removes, by site, as whoever applies it said */
        #[ORM\Column(type: 'json', nullable: true)] public ?array $removing = null,
        /** The change list it takes back. */
        #[ORM\ManyToOne(targetEntity: self::class)]
        #[ORM\JoinColumn(name: 'undoes')]
        public readonly ?self $undoes = null,
        /** Words of whoever applies it for those who are told; null tells nobody. */
        #[ORM\Column(length: 2_000, nullable: true)] public ?string $tell = null,
        /** Why it stopped while it was applied. */
        #[ORM\Column(length: 32, nullable: true, options: Charset::CODE)]
        public ?string $trouble = null,
    ) {}

    /** Somebody worked on it, or applies it from now on. */
    public function changed(string $by, int $now): void
    {
        $this->changedBy = $by;
        $this->changedAt = $now;
        ++$this->version;
    }

    public function turn(string $state): void
    {
        $this->state = $state;
        ++$this->version;
    }

    /** Some lines were looked at, and of those some applied. */
    public function progress(int $done, int $applied, bool $left, int $now): void
    {
        $this->done += $done;
        $this->applied += $applied;
        $this->changedAt = $now;
        $this->turn($left ? 'applying' : 'applied');
    }

    /** All of it was done at once. */
    public function finish(int $total, int $applied): void
    {
        $this->total = $this->done = $total;
        $this->applied = $applied;
    }
}
