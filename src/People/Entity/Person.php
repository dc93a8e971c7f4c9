<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\People\FurtherName;
use MintDoor\People\Facts;
use MintDoor\People\PersonName;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\Charset;

/** Somebody of the directory. */
#[ORM\Entity]
#[ORM\Table(name: 'person')]
#[ORM\UniqueConstraint(columns: ['number'])]
#[ORM\UniqueConstraint(columns: ['email'])]
#[ORM\Index(name: 'gone_into', columns: ['gone_into'])]
#[ORM\Index(name: 'in_order', columns: ['gone', 'sort_name', 'id', 'kind', 'division_id', 'level', 'own_kind'])]
#[ORM\Index(name: 'by_level', columns: ['level'])]
class Person
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public string $kind,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public Division $division,
        #[ORM\Column(length: 80)] public string $givenName,
        #[ORM\Column(length: 80)] public string $familyName,
        /** "Family, Given": how lists are sorted. */
        #[ORM\Column(length: 164)] public string $sortName,
        /** Every folded word people may be looked for by, each led by a blank. */
        #[ORM\Column(length: 250, options: Charset::CODE)]
        public string $terms,
        #[ORM\Column(type: 'smallint', nullable: true)] public ?int $level = null,
        #[ORM\Column(length: 80, nullable: true)] public ?string $preferredName = null,
        /** As `FurtherName::stored()` has them. */
        #[ORM\Column(type: 'text', length: 65_535, nullable: true)] public ?string $furtherNames = null,
        #[ORM\Column(length: 32, nullable: true, options: Charset::CODE)]
        public ?string $number = null,
        #[ORM\Column(length: 190, nullable: true, options: Charset::EXACT)] public ?string $email = null,
        /** Why somebody is in the directory no more: "taken-back", "merged", "erased". */
        #[ORM\Column(length: 16, nullable: true, options: Charset::CODE)]
        public ?string $gone = null,
        /** Whom somebody was merged into. */
        #[ORM\ManyToOne(targetEntity: self::class)]
        #[ORM\JoinColumn(name: 'gone_into')]
        public ?self $goneInto = null,
        /** The kind of people that the platform has beside the four, by code. */
        #[ORM\Column(length: 32, nullable: true, options: Charset::CODE)]
        public ?string $ownKind = null,
        #[ORM\Column(options: ['default' => 1])] public int $version = 1,
    ) {}

    /** @param string $terms the words they are found by from now on */
    public function describe(Facts $facts, string $terms): void
    {
        $this->givenName = $facts->given;
        $this->familyName = $facts->family;
        $this->preferredName = $facts->preferred;
        $this->furtherNames = FurtherName::stored($facts->further);
        $this->level = $facts->level;
        $this->number = $facts->number;
        $this->email = $facts->email;
        $this->sortName = PersonName::sorted($facts->given, $facts->family);
        $this->terms = $terms;
        $this->ownKind = $facts->ownKind;
    }

    /**
     * Leaves the directory, or comes back to it.
     *
     * @param 'taken-back'|'merged'|'erased'|null $why
     */
    public function leave(?string $why, ?self $into = null): void
    {
        $this->gone = $why;
        $this->goneInto = $into;
    }

    /** How they are called. */
    public function name(): string
    {
        return PersonName::shown($this->givenName, $this->familyName, $this->preferredName);
    }
}
