<?php

declare(strict_types=1);

namespace MintDoor\Sites\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** A part of the organisation that sites and people belong to. */
#[ORM\Entity]
#[ORM\Table(name: 'division')]
#[ORM\UniqueConstraint(columns: ['code'])]
class Division
{
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
    ) {}
}
