<?php

declare(strict_types=1);

namespace MintDoor\Cohorts\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\Charset;

/** People who belong together across sites: by list, by rule, or because they are in a site that is shared. */
#[ORM\Entity]
#[ORM\Table(name: 'cohort')]
#[ORM\Index(name: 'by_name', columns: ['name'])]
class Cohort
{
    public const LISTED = 'list';
    public const RULED = 'rule';
    /** Made for a connection of a whole roster or section with another site; nobody keeps it. */
    public const SHARED = 'shared';

    #[ORM\Column(options: ['default' => 1])]
    public int $version = 1;

    /** Whether everybody is to be looked at: its rule, or what divisions are parts of, became another. */
    #[ORM\Column(options: ['default' => 0])]
    public bool $stale = false;

    /** Whom everybody was looked at up to, where that is on the way. */
    #[ORM\Column(type: 'id', nullable: true)]
    public ?string $lookedTo = null;

    /** Of which settings the divisions were when everybody was looked at. */
    #[ORM\Column(options: ['default' => 0])]
    public int $settings = 0;

    #[ORM\Column(type: 'instant', nullable: true)]
    public ?int $putAwayAt = null;

    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 80)] public string $name,
        /** @var 'list'|'rule'|'shared' */
        #[ORM\Column(length: 8, options: Charset::CODE)]
        public readonly string $kind,
        /** Its people are of this division and those below it; null for the whole platform. */
        #[ORM\ManyToOne]
        public ?Division $division,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'made_by', nullable: false)]
        public readonly Person $madeBy,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        /** @var ?array<string, mixed> as `RuleCodec` writes it; null for a list */
        #[ORM\Column(type: 'json', nullable: true)] public ?array $rule = null,
    ) {
        $this->stale = null !== $rule;
    }

    public function isList(): bool
    {
        return self::LISTED === $this->kind;
    }

    /** @param array<string, mixed> $rule as `RuleCodec` writes it */
    public function follow(array $rule): void
    {
        $this->rule = $rule;
        $this->lookAgain();
    }

    /** Everybody is looked at anew, from the first. */
    public function lookAgain(): void
    {
        $this->stale = null !== $this->rule;
        $this->lookedTo = null;
    }
}
