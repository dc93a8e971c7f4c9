<?php

declare(strict_types=1);

namespace MintDoor\Doors\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Roster\Entity\Door;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** That somebody is asked into a site. */
#[ORM\Entity]
#[ORM\Table(name: 'invitation')]
#[ORM\UniqueConstraint(name: 'once', columns: ['door_id', 'address', 'unanswered'])]
#[ORM\Index(name: 'site', columns: ['site_id', 'unanswered'])]
#[ORM\Index(name: 'person', columns: ['person_id'])]
#[ORM\Index(name: 'lapsing', columns: ['unanswered', 'lapses_at'])]
#[ORM\Index(name: 'reminding', columns: ['unanswered', 'remind_at'])]
class Invitation
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Door $door,
        /** Null while it is an address of nobody in the directory. */
        #[ORM\ManyToOne]
        public ?Person $person,
        #[ORM\Column(length: 190, options: Charset::EXACT)] public string $address,
        #[ORM\Column(length: 2_000)] public readonly string $words,
        /** With whose rights it is: `madeBy`. */
        #[ORM\Column(type: 'id')]
        public readonly string $madeBy,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        #[ORM\Column(type: 'instant')]
        public int $lapsesAt,
        /** Whether a seat is kept for who is asked. */
        #[ORM\Column(options: ['default' => 0])] public readonly bool $holds = false,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $remindAt = null,
        /** How many messages it was sent in. */
        #[ORM\Column(type: 'smallint', options: ['default' => 1])] public int $sent = 1,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $openedAt = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $answeredAt = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public ?string $answeredBy = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $withdrawnAt = null,
        /** True until it is answered, withdrawn or has lapsed; null after: one at a time. */
        #[ORM\Column(nullable: true, options: ['default' => 1])] public ?bool $unanswered = true,
    ) {}

    /** It holds anew from now on. */
    public function sendAgain(int $lapsesAt, ?int $remindAt): void
    {
        $this->lapsesAt = $lapsesAt;
        $this->remindAt = $remindAt;
        $this->unanswered = true;
        ++$this->sent;
    }

    public function remind(): void
    {
        $this->remindAt = null;
        ++$this->sent;
    }

    public function answer(string $by, int $now): void
    {
        $this->answeredAt = $now;
        $this->answeredBy = $by;
        $this->openedAt ??= $now;
        $this->unanswered = null;
    }

    /** Nobody answers it any more. */
    public function end(): void
    {
        $this->unanswered = null;
        $this->remindAt = null;
    }

    /** @return 'answered'|'withdrawn'|'lapsed'|null why it cannot be answered any more */
    public function over(int $now): ?string
    {
        return match (true) {
            null !== $this->answeredAt => 'answered',
            null !== $this->withdrawnAt => 'withdrawn',
            default => $this->lapsesAt <= $now ? 'lapsed' : null,
        };
    }
}
