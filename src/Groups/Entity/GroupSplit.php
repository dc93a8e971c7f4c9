<?php

declare(strict_types=1);

namespace MintDoor\Groups\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Roster\Entity\Section;
use MintDoor\Sites\Entity\Site;

/** One way of dividing the learners of a site, or of a section, into groups. */
#[ORM\Entity]
#[ORM\Table(name: 'group_split')]
#[ORM\Index(columns: ['site_id', 'place'])]
class GroupSplit
{
    #[ORM\Column]
    public int $version = 1;

    /** When it was put away: it can be brought back. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $putAwayAt = null;

    /** When people choose their groups by themselves, from and until; null where they never do. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $opensAt = null;

    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $closesAt = null;

    /** Whether they may found groups then, too. */
    #[ORM\Column(options: ['default' => 0])]
    public bool $founds = false;

    /** Whether those who have chosen none are put into one then. */
    #[ORM\Column(options: ['default' => 0])]
    public bool $settles = false;

    /** Who said last how that is to be: it is done with their sight, and in their name. */
    #[ORM\Column(type: 'id', nullable: true)]
    public ?string $openedBy = null;

    /**
     * @var 'none'|'emptiest'|'alike'|'wishes' into which group whoever comes later, by a door, a list or a feed, is put
     *     by itself: the emptiest, that of those who are what they are, or where most of what is wished is kept
     */
    #[ORM\Column(length: 10, options: ['default' => 'none'])]
    public string $arrives = 'none';

    /** What its groups were made from, one for each: 'section', 'label', 'detail:…'; null for so many. */
    #[ORM\Column(length: 50, nullable: true)]
    public ?string $madeFrom = null;

    /** When that was tried last: who came before is left to whoever arranges groups. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $arrivedAt = null;

    /** When people were asked to choose, those who had not reminded, and the others put into groups. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $askedAt = null;

    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $remindedAt = null;

    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $settledAt = null;

    /** @var ?array<string, mixed> what its groups are to be like, as `WishesRequest` writes it */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $wishes = null;

    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        #[ORM\Column(length: 80)] public string $name,
        /** Whose people it divides, where it is not the whole site. */
        #[ORM\ManyToOne]
        public readonly ?Section $section = null,
        /** How many people a group has, where nothing else is said of it. */
        #[ORM\Column(nullable: true)] public ?int $least = null,
        #[ORM\Column(nullable: true)] public ?int $most = null,
        /** Where it stands among the others of its site. */
        #[ORM\Column(type: 'smallint', options: ['default' => 0])] public int $place = 0,
    ) {}

    /** Whether people choose their groups by themselves at an instant. */
    public function chooses(int $now): bool
    {
        return null === $this->putAwayAt
            && null !== $this->opensAt
            && $this->opensAt <= $now
            && $now < (int) $this->closesAt;
    }

    /** @return array{?string, ?string} the first and the last day on which they do */
    public function days(\DateTimeZone $zone): array
    {
        $day = static fn(?int $instant): ?string => null === $instant
            ? null
            : (new \DateTimeImmutable('@'.$instant))->setTimezone($zone)->format('Y-m-d');

        return [$day($this->opensAt), $day(null === $this->closesAt ? null : $this->closesAt - 1)];
    }
}
