<?php

declare(strict_types=1);

namespace MintDoor\Sites\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;
use MintDoor\Platform\Entity\Division;
use MintDoor\Platform\Entity\Term;
use MintDoor\Shared\Charset;

/** A place people are let into. */
#[ORM\Entity]
#[ORM\Table(name: 'site')]
#[ORM\UniqueConstraint(columns: ['code'])]
#[ORM\Index(columns: ['title', 'id'])]
#[ORM\Index(name: 'by_level', columns: ['level_highest'])]
#[ORM\Index(name: 'opening', columns: ['opens_at'])]
#[ORM\Index(name: 'closing', columns: ['closes_at'])]
#[ORM\Index(name: 'news', columns: ['last_entry_at'])]
#[ORM\Index(name: 'counting', columns: ['division_id', 'taken_back', 'opens_at', 'closes_at'])]
#[ORM\Index(name: 'there', columns: ['taken_back'])]
#[ORM\Index(name: 'merged', columns: ['merged_into'])]
#[ORM\Index(columns: ['division_id', 'title', 'id'])]
class Site
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 24, options: Charset::CODE)]
        public string $code,
        #[ORM\Column(length: 160)] public string $title,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public string $kind,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public Division $division,
        /** Null for a site of no term. */
        #[ORM\ManyToOne]
        public ?Term $term,
        #[ORM\Column(type: 'smallint', nullable: true)] public ?int $levelLowest = null,
        #[ORM\Column(type: 'smallint', nullable: true)] public ?int $levelHighest = null,
        #[ORM\Column(nullable: true)] public ?int $seats = null,
        #[ORM\Column(type: 'smallint', nullable: true)] public ?int $leadLimit = null,
        #[ORM\Column(length: 64, options: Charset::CODE)]
        public string $timeZone = 'UTC',
        #[ORM\Column(type: 'instant')] public int $opensAt = Time::FOREVER,
        #[ORM\Column(type: 'instant')] public int $closesAt = Time::FOREVER,
        /** Of the site's own facts; what `If-Match` is about. */
        #[ORM\Column] public int $version = 1,
        /**
         * Goes up with every change of its people; updating it is what locks them. Never written through this class.
         */
        #[ORM\Column(updatable: false)] public readonly int $rosterVersion = 0,
        /** The last sequence number given in its history. Never written through this class. */
        #[ORM\Column(updatable: false)] public readonly int $logSequence = 0,
        /** When the last entry of its history was written: no decision about it is dated before. */
        #[ORM\Column(type: 'instant', updatable: false, options: ['default' => '1000-01-01 00:00:00'])]
        public readonly int $lastEntryAt = Time::BEGINNING,
        /** Whether making it was taken back: then it is not there for anybody. */
        #[ORM\Column(options: ['default' => 0])] public bool $takenBack = false,
        /** Whether its sections do not see one another. */
        #[ORM\Column(options: ['default' => 0])] public bool $sectionsApart = false,
        /** Whether learners may be in several of its sections. */
        #[ORM\Column(options: ['default' => 0])] public bool $sectionsSeveral = false,
        /** The site it became part of: then it is there for nobody, and its history is part of that one's. */
        #[ORM\ManyToOne(targetEntity: self::class)]
        #[ORM\JoinColumn(name: 'merged_into')]
        public ?self $mergedInto = null,
    ) {}

    /**
     * What the history remembers of it, to be put back.
     *
     * @return array<string, string|int|null> by name
     */
    public function kept(): array
    {
        return [
            'title' => $this->title,
            'code' => $this->code,
            'kind' => $this->kind,
            'divisionId' => $this->division->id,
            'termId' => $this->term?->id,
            'levelLowest' => $this->levelLowest,
            'levelHighest' => $this->levelHighest,
            'seats' => $this->seats,
            'opensAt' => $this->opensAt,
            'closesAt' => $this->closesAt,
        ];
    }
}
