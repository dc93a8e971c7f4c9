<?php

declare(strict_types=1);

namespace MintDoor\Sheets\Entity;

use Doctrine\ORM\Mapping as ORM;

/** A prepared set of changes, applied as one. */
#[ORM\Entity]
#[ORM\Table(name: 'change_sheet')]
#[ORM\Index(columns: ['site_id', 'made_at'])]
class ChangeSheet
{
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: 'id')]
        public readonly string $id,
        #[ORM\Column(type: 'id')]
        public string $siteId,
        #[ORM\Column(type: 'id')]
        public string $madeBy,
        #[ORM\Column(type: 'instant')]
        public int $madeAt,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public string $state = 'applied',
    ) {
    }
}
