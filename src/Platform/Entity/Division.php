<?php

declare(strict_types=1);

namespace MintDoor\Platform\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** A part of the organisation that sites and people belong to. */
#[ORM\Entity]
#[ORM\Table(name: 'division')]
#[ORM\UniqueConstraint(columns: ['code'])]
class Division
{
    /** @param ?list<string> $levelNames upwards; null for those of the division above */
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $code,
        #[ORM\Column(length: 120)] public string $name,
        #[ORM\Column] public bool $minors = false,
        /** BCP 47: in which language those are written to who settled none, and how days are written to them. */
        #[ORM\Column(length: 16, options: Charset::CODE + ['default' => 'en-GB'])]
        public string $language = 'en-GB',
        /** Of the IANA database: by which clock those are told a time who settled none. */
        #[ORM\Column(length: 64, options: Charset::CODE + ['default' => 'UTC'])]
        public string $timeZone = 'UTC',
        /** What it is a part of. */
        #[ORM\ManyToOne(targetEntity: self::class)]
        public ?self $parent = null,
        /** The rung of the ladder that the first of its levels is. */
        #[ORM\Column(type: 'smallint', options: ['default' => 1])] public int $firstLevel = 1,
        #[ORM\Column(type: 'json', nullable: true)] public ?array $levelNames = null,
        /** Said to whoever is new there. */
        #[ORM\Column(length: 2000, options: ['default' => ''])] public string $welcome = '',
        /** Kept for what was, and offered no more. */
        #[ORM\Column(options: ['default' => false])] public bool $retired = false,
    ) {}
}
