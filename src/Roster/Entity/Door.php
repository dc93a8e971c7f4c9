<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;

/** One way into a site. */
#[ORM\Entity]
#[ORM\Table(name: 'door')]
#[ORM\Index(columns: ['site_id', 'kind'])]
class Door
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\Column(type: 'id')] public readonly string $siteId,
        #[ORM\Column(length: 16, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public readonly string $kind,
        #[ORM\Column(length: 120)] public string $name = '',
        #[ORM\Column(length: 8, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public string $state = 'open',
        /** Whether only administrators remove or change what it brought. */
        #[ORM\Column(options: ['default' => false])] public bool $reserved = false,
        /** @var ?array<string, mixed> on what terms it lets people in by themselves */
        #[ORM\Column(type: 'json', nullable: true)] public ?array $terms = null,
        #[ORM\Column(type: 'instant', options: ['default' => '1000-01-01 00:00:00'])]
        public int $fromAt = Time::BEGINNING,
        #[ORM\Column(type: 'instant', options: ['default' => '9999-12-31 00:00:00'])]
        public int $untilAt = Time::FOREVER,
        #[ORM\Column(options: ['default' => 1])] public int $version = 1,
        #[ORM\Column(type: 'id', nullable: true)] public ?string $madeBy = null,
        #[ORM\Column(type: 'instant', nullable: true)] public ?int $madeAt = null,
    ) {}
}
