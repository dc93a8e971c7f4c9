<?php

declare(strict_types=1);

namespace MintDoor\Sites\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;

/** A place people are let into. */
#[ORM\Entity]
#[ORM\Table(name: 'site')]
#[ORM\UniqueConstraint(columns: ['code'])]
#[ORM\Index(columns: ['title', 'id'])]
#[ORM\Index(columns: ['division_id', 'title', 'id'])]
class Site
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 24, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])] public string $code,
        #[ORM\Column(length: 160)] public string $title,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])] public string $kind,
        #[ORM\Column(type: 'id')] public string $divisionId,
        #[ORM\Column(type: 'id')] public string $termId,
        #[ORM\Column(type: 'smallint', nullable: true)] public ?int $levelLowest = null,
        #[ORM\Column(type: 'smallint', nullable: true)] public ?int $levelHighest = null,
        #[ORM\Column(nullable: true)] public ?int $seats = null,
        #[ORM\Column(type: 'smallint', nullable: true)] public ?int $leadLimit = null,
        #[ORM\Column(length: 64, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public string $timeZone = 'Europe/Amsterdam',
        #[ORM\Column(type: 'instant')] public int $opensAt = Time::FOREVER,
        #[ORM\Column(type: 'instant')] public int $closesAt = Time::FOREVER,
        /** Of the site's own facts; what `If-Match` is about. */
        #[ORM\Column(type: 'integer')] public int $version = 1,
        /** Goes up with every change of its people; updating it is what locks them. */
        #[ORM\Column(type: 'integer')] public int $rosterVersion = 0,
        /** The last sequence number given in its history. */
        #[ORM\Column(type: 'integer')] public int $logSequence = 0,
        /** When the last entry of its history was written: no decision about it is dated before. */
        #[ORM\Column(type: 'instant', options: ['default' => '1000-01-01 00:00:00'])]
        public int $lastEntryAt = Time::BEGINNING,
        /** Whether making it was taken back: then it is not there for anybody. */
        #[ORM\Column(options: ['default' => 0])] public bool $takenBack = false,
    ) {}
}
