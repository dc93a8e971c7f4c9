<?php

declare(strict_types=1);

namespace MintDoor\Doors\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** Somebody who waits at a door: for a seat, for an answer to a request, or with a seat offered. */
#[ORM\Entity]
#[ORM\Table(name: 'waiter')]
#[ORM\UniqueConstraint(name: 'once', columns: ['door_id', 'person_id', 'waits'])]
#[ORM\Index(name: 'site', columns: ['site_id', 'waits', 'what'])]
#[ORM\Index(name: 'person', columns: ['person_id', 'waits'])]
#[ORM\Index(name: 'due', columns: ['waits', 'offered_until'])]
#[ORM\Index(name: 'asking', columns: ['waits', 'what', 'made_at'])]
class WaitingRecord
{
    public function __construct(
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Door $door,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Person $person,
        /** "seat" or "approval". */
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public string $what,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public string $state,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        /** True while it is so, null when it is over: one at a time. */
        #[ORM\Column(nullable: true)] public ?bool $waits = true,
        #[ORM\ManyToOne]
        public readonly ?Section $section = null,
        /** In their own words, or each question they were asked with its answer on a line of its own. */
        #[ORM\Column(type: 'text', nullable: true)] public readonly ?string $why = null,
        /** How far somebody was moved up the list. */
        #[ORM\Column(options: ['default' => 0])] public int $ahead = 0,
        #[ORM\Column(length: 300, nullable: true)] public ?string $movedWhy = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $offeredUntil = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public ?string $decidedBy = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $decidedAt = null,
        #[ORM\Id] #[ORM\GeneratedValue] #[ORM\Column(type: 'bigint', options: ['unsigned' => true])]
        public ?int $id = null,
    ) {}

    /** Nobody waits with it any more. */
    public function end(string $state, ?string $by, int $now): void
    {
        $this->state = $state;
        $this->waits = null;
        $this->decidedBy = $by;
        $this->decidedAt = $now;
    }

    /** A seat is kept for them until then. */
    public function offer(int $until): void
    {
        $this->state = 'offered';
        $this->offeredUntil = $until;
    }

    public function offeredAt(int $now): bool
    {
        return null !== $this->offeredUntil && $this->offeredUntil > $now;
    }
}
