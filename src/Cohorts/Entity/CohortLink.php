<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Cohorts\Link;
use MintDoor\Core\Time\Time;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** That whoever belongs to a cohort is in a site: it brings them by a door of its own. */
#[ORM\Entity]
#[ORM\Table(name: 'cohort_link')]
#[ORM\UniqueConstraint(name: 'by_door', columns: ['door_id'])]
class CohortLink
{
    #[ORM\Column(options: ['default' => 1])]
    public int $version = 1;

    /** When it was taken back; whoever came by it goes then. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $endedAt = null;

    /** Since when many who would go wait for somebody's yes; null where nobody does. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $heldAt = null;

    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Cohort $cohort,
        /** It may be carried to another site; the connection goes along. */
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Door $door,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $role,
        #[ORM\ManyToOne]
        public ?Section $section = null,
        /** Whether each is put into the section that has the fewest learners and room, instead. */
        #[ORM\Column(options: ['default' => 0])] public bool $spread = false,
        #[ORM\Column(type: 'instant', options: ['default' => '1000-01-01 00:00:00'])]
        public int $fromAt = Time::BEGINNING,
        /** For so many days who no longer belongs keeps access. */
        #[ORM\Column(type: 'smallint', options: ['default' => 0])] public int $days = 0,
        /** Whether they keep it to the end of the site's term instead. */
        #[ORM\Column(options: ['default' => 0])] public bool $toTerm = false,
        /** When the site went on in its term; who belonged no more by then keeps access to the end of the last. */
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $termFrom = null,
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $earlierEnds = null,
    ) {}

    /** Its site goes on in another term, or is back in the one before. */
    public function inTerm(int $ends, int $earlierEnds, int $now): void
    {
        $back = null !== $this->termFrom && $ends === $this->earlierEnds;
        $this->termFrom = $back ? null : $now;
        $this->earlierEnds = $back ? null : $earlierEnds;
        ++$this->version;
    }

    public function site(): Site
    {
        return $this->door->site;
    }

    /** @param int $termEnds when the site's term does */
    public function link(int $termEnds): Link
    {
        $until = $this->toTerm && $termEnds < Time::FOREVER ? $termEnds : null;

        return new Link(
            $this->cohort->id,
            $this->site()->id,
            $this->fromAt,
            $this->toTerm ? 0 : $this->days,
            $until,
            $this->termFrom,
            $this->earlierEnds ?? Time::BEGINNING,
        );
    }

    public function isOn(): bool
    {
        return null === $this->endedAt;
    }
}
