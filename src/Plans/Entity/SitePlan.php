<?php

declare(strict_types=1);

namespace MintDoor\Plans\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Changes\Entity\ChangeList;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** Who is to go into which section of a site: what is asked, what was computed, and what became of it. */
#[ORM\Entity]
#[ORM\Table(name: 'site_plan')]
#[ORM\Index(columns: ['state', 'beat_at'])]
#[ORM\Index(name: 'closing', columns: ['closes_at'])]
#[ORM\Index(name: 'joint', columns: ['joint'])]
class SitePlan
{
    public const SET = 'set';

    public const COMPUTING = 'computing';

    public const COMPUTED = 'computed';

    public const APPLIED = 'applied';

    /** @var self::* */
    #[ORM\Column(length: 12, options: Charset::CODE)]
    public string $state = self::SET;

    #[ORM\Column]
    public int $version = 1;

    /** When wishes may be said, from and until; null where nobody is asked. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $opensAt = null;

    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $closesAt = null;

    /** When they were asked for, and those who had said none reminded. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $askedAt = null;

    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $remindedAt = null;

    /** What the lot is drawn with, once it is: nobody knows it before. */
    #[ORM\Column(length: 64, nullable: true, options: Charset::EXACT)]
    public ?string $seed = null;

    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $drawnAt = null;

    /** Steps that are done while it is computed, and of how many. */
    #[ORM\Column]
    public int $done = 0;

    #[ORM\Column]
    public int $steps = 0;

    /** When whoever computes it last said that they do. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $beatAt = null;

    /** Whether the best so far is enough. */
    #[ORM\Column]
    public bool $stops = false;

    /** @var ?array<string, mixed> as `Outcome` writes it */
    #[ORM\Column(type: 'json', nullable: true)]
    public ?array $outcome = null;

    #[ORM\ManyToOne]
    public ?ChangeList $changeList = null;

    /** When those who were asked were told where they are, once it was carried out. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $toldAt = null;

    /** When it was put away: it can be brought back until there is another one. */
    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $putAwayAt = null;

    /** The same in all plans that are computed together. */
    #[ORM\Column(type: 'id', nullable: true)]
    public ?string $joint = null;

    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\OneToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Site $site,
        /** @var array<string, mixed> as `PlanTerms` writes it */
        #[ORM\Column(type: 'json')] public array $terms,
    ) {}

    /** Whether wishes may be said at an instant. */
    public function asks(int $now): bool
    {
        return null === $this->putAwayAt
            && null !== $this->opensAt
            && $this->opensAt <= $now
            && $now < (int) $this->closesAt;
    }

    /** Whether wishes may still be said, or are to be asked for. */
    public function stillAsks(int $now): bool
    {
        return null !== $this->closesAt && $this->closesAt > $now;
    }

    /** @return array{?string, ?string} the first and the last day on which wishes may be said */
    public function days(\DateTimeZone $zone): array
    {
        $day = static fn(?int $instant): ?string => null === $instant
            ? null
            : (new \DateTimeImmutable('@'.$instant))->setTimezone($zone)->format('Y-m-d');

        return [$day($this->opensAt), $day(null === $this->closesAt ? null : $this->closesAt - 1)];
    }

    /** A worker is to compute it; that of whoever asked says that it lives. */
    public function begin(?int $beatAt): void
    {
        $this->reset();
        $this->state = self::COMPUTING;
        $this->done = $this->steps = 0;
        $this->beatAt = $beatAt;
    }

    /** What was computed no longer follows from what is asked. */
    public function reset(): void
    {
        $this->state = self::SET;
        $this->outcome = null;
        $this->changeList = null;
        $this->stops = false;
        ++$this->version;
    }
}
