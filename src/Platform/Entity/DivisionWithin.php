<?php

declare(strict_types=1);

namespace MintDoor\Platform\Entity;

use Doctrine\ORM\Mapping as ORM;

/**
 * That a division is another, or below it: the tree, written out, so that one statement finds whatever belongs to a
 * division. Written by `Divisions` whenever the tree changes.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'division_within')]
class DivisionWithin
{
    public function __construct(
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Division $above,
        #[ORM\Id]
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly Division $division,
    ) {}
}
