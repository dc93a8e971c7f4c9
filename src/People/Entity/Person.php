<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;

/** Somebody of the directory. */
#[ORM\Entity]
#[ORM\Table(name: 'person')]
#[ORM\UniqueConstraint(columns: ['number'])]
#[ORM\UniqueConstraint(columns: ['email'])]
#[ORM\Index(name: 'gone_into', columns: ['gone_into'])]
#[ORM\Index(name: 'by_name', columns: ['sort_name', 'id'])]
class Person
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])] public string $kind,
        #[ORM\Column(type: 'id')] public string $divisionId,
        #[ORM\Column(length: 80)] public string $givenName,
        #[ORM\Column(length: 80)] public string $familyName,
        /** "Family, Given": how lists are sorted. */
        #[ORM\Column(length: 164)] public string $sortName,
        /** Every folded word people may be looked for by, each led by a blank. */
        #[ORM\Column(length: 250, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])] public string $terms,
        #[ORM\Column(type: 'smallint', nullable: true)] public ?int $level = null,
        #[ORM\Column(length: 80, nullable: true)] public ?string $preferredName = null,
        #[ORM\Column(length: 80, nullable: true)] public ?string $formerName = null,
        #[ORM\Column(length: 32, nullable: true, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public ?string $number = null,
        #[ORM\Column(length: 190, nullable: true, options: ['charset' => 'utf8mb4', 'collation' => 'utf8mb4_bin'])]
        public ?string $email = null,
        /** Why somebody is in the directory no more: "taken-back", "merged", "erased". */
        #[ORM\Column(length: 16, nullable: true, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public ?string $gone = null,
        /** Whom somebody was merged into. */
        #[ORM\Column(type: 'id', nullable: true)] public ?string $goneInto = null,
        #[ORM\Column(options: ['default' => 1])] public int $version = 1,
    ) {}
}
