<?php

declare(strict_types=1);

namespace MintDoor\Messages\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;

/** The words of one kind of message, in a language, for the platform, a division or a site. The nearest is used. */
#[ORM\Entity]
#[ORM\Table(name: 'message_template')]
class MessageTemplate
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(length: 24, options: Charset::CODE)] public readonly string $kind,
        /** Of the division or site; all zeros for the platform. */
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $ofId,
        /** BCP 47. */
        #[ORM\Id]
        #[ORM\Column(length: 16, options: Charset::CODE + ['default' => 'en'])]
        public readonly string $language,
        #[ORM\Column(length: 150)] public string $subject,
        #[ORM\Column(type: 'text')] public string $body,
        #[ORM\Column] public int $version,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'changed_by', nullable: false)]
        public Person $changedBy,
        #[ORM\Column(type: 'instant')]
        public int $changedAt,
    ) {}

    public function reword(string $subject, string $body, Person $by, int $now): void
    {
        $this->subject = $subject;
        $this->body = $body;
        $this->changedBy = $by;
        $this->changedAt = $now;
        ++$this->version;
    }
}
