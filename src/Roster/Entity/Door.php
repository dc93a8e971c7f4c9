<?php

declare(strict_types=1);

namespace MintDoor\Roster\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Time\Time;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/** One way into a site. */
#[ORM\Entity]
#[ORM\Table(name: 'door')]
#[ORM\Index(columns: ['site_id', 'kind'])]
#[ORM\Index(name: 'shutting', columns: ['until_at'])]
#[ORM\Index(name: 'by_kind', columns: ['kind', 'state'])]
class Door
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public Site $site,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public readonly string $kind,
        #[ORM\Column(length: 120)] public string $name = '',
        #[ORM\Column(length: 8, options: Charset::CODE)]
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
        /** Who stands behind it: it lets in whom they may give its role by hand. */
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'made_by')]
        public ?Person $madeBy = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public readonly ?int $madeAt = null,
    ) {}

    public function isOpen(): bool
    {
        return 'open' === $this->state;
    }

    /** From now on somebody stands behind it. */
    public function keptBy(Person $keeper): void
    {
        $this->madeBy = $keeper;
        ++$this->version;
    }
}
