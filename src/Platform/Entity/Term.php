<?php

declare(strict_types=1);

namespace MintDoor\Platform\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/** A stretch of the year that sites belong to; both days are in it. */
#[ORM\Entity]
#[ORM\Table(name: 'term')]
#[ORM\UniqueConstraint(columns: ['code'])]
class Term
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $code,
        #[ORM\Column(length: 120)] public string $name,
        #[ORM\Column(length: 10, options: Charset::CODE)]
        public string $startsOn,
        #[ORM\Column(length: 10, options: Charset::CODE)]
        public string $endsOn,
        /** Whose sites may have it, with those below; null for all. */
        #[ORM\ManyToOne]
        public ?Division $division = null,
    ) {}
}
