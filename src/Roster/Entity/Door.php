<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;

/** One way into a site. */
#[ORM\Entity]
#[ORM\Table(name: 'door')]
#[ORM\Index(columns: ['site_id', 'kind'])]
class Door
{
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(type: 'id')]
        public readonly string $id,
        #[ORM\Column(type: 'id')]
        public readonly string $siteId,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public readonly string $kind,
        #[ORM\Column(length: 120)]
        public string $name = '',
        #[ORM\Column(length: 8, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public string $state = 'open',
        /** Whether only administrators take out or change what it brought. */
        #[ORM\Column(options: ['default' => false])]
        public bool $reserved = false,
    ) {
    }
}
