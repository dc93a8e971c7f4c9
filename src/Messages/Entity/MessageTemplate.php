<?php

declare(strict_types=1);

namespace MintDoor\Messages\Entity;

use Doctrine\ORM\Mapping as ORM;

/** The words of one kind of message, for the platform, a division or a site. The nearest one is used. */
#[ORM\Entity]
#[ORM\Table(name: 'message_template')]
class MessageTemplate
{
    public function __construct(
        #[ORM\Id]
        #[ORM\Column(length: 24, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
        public readonly string $kind,
        /** Of the division or site; all zeros for the platform. */
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $ofId,
        #[ORM\Column(length: 150)] public string $subject,
        #[ORM\Column(type: 'text')] public string $body,
        #[ORM\Column] public int $version,
        #[ORM\Column(type: 'id')] public string $changedBy,
        #[ORM\Column(type: 'instant')] public int $changedAt,
    ) {}
}
