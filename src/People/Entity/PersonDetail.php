<?php

declare(strict_types=1);

namespace MintDoor\People\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DetailValue;
use MintDoor\Shared\Charset;

/** What is kept of somebody under a detail that the platform has. */
#[ORM\Entity]
#[ORM\Table(name: 'person_detail')]
#[ORM\Index(name: 'by_value', columns: ['code', 'value'])]
#[ORM\Index(name: 'by_amount', columns: ['code', 'amount'])]
class PersonDetail
{
    public function __construct(
        #[ORM\Id] #[ORM\ManyToOne]
        public readonly Person $person,
        #[ORM\Id] #[ORM\Column(length: 32, options: Charset::CODE)]
        public readonly string $code,
        #[ORM\Column(length: Detail::LONGEST)]
        public string $value,
        #[ORM\Column(nullable: true)]
        public ?float $amount = null,
    ) {}

    public function write(DetailValue $value): void
    {
        $this->value = (string) $value->text;
        $this->amount = $value->amount;
    }
}
