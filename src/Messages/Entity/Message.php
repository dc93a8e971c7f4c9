<?php

declare(strict_types=1);

namespace MintDoor\Messages\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\People\Entity\Person;
use MintDoor\Shared\Charset;
use MintDoor\Sites\Entity\Site;

/**
 * One message to one address. Changes, lines and invitations that it is about belong to rooms that this one does not
 * know, and are named by id.
 */
#[ORM\Entity]
#[ORM\Table(name: 'message')]
#[ORM\UniqueConstraint(name: 'cause', columns: ['cause'])]
#[ORM\Index(name: 'by_state', columns: ['state', 'made_at'])]
#[ORM\Index(name: 'due', columns: ['due_at', 'id'])]
#[ORM\Index(name: 'person', columns: ['person_id', 'id'])]
#[ORM\Index(name: 'site', columns: ['site_id', 'id'])]
#[ORM\Index(name: 'change_list', columns: ['change_list_id', 'position'])]
#[ORM\Index(name: 'line', columns: ['line_id'])]
#[ORM\Index(name: 'invitation', columns: ['invitation_id', 'id'])]
class Message
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        /** What it is sent for: one cause sends one message. */
        #[ORM\Column(length: 120, options: Charset::CODE)]
        public readonly string $cause,
        #[ORM\Column(length: 24, options: Charset::CODE)]
        public readonly string $kind,
        #[ORM\ManyToOne]
        public readonly ?Person $person,
        #[ORM\Column(length: 190, options: Charset::EXACT)] public string $address,
        #[ORM\ManyToOne]
        public readonly ?Site $site,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $changeListId,
        #[ORM\Column(nullable: true)] public readonly ?int $position,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $lineId,
        #[ORM\Column(length: 400)] public string $subject,
        #[ORM\Column(type: 'text', length: 65_535)] public string $body,
        #[ORM\Column(length: 24, options: Charset::CODE)]
        public string $state,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        #[ORM\Column(type: 'smallint', options: ['default' => 0])] public int $tries = 0,
        #[ORM\Column(length: 200, nullable: true)] public ?string $reason = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $madeBy = null,
        /** When it is tried next; null when it is not any more. */
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $dueAt = null,
        #[ORM\Column(type: 'instant', nullable: true)]
        public ?int $sentAt = null,
        #[ORM\Column(type: 'id', nullable: true)]
        public readonly ?string $invitationId = null,
        /** Of its words, BCP 47. */
        #[ORM\Column(length: 16, options: Charset::CODE + ['default' => 'en'])]
        public readonly string $language = 'en',
        /** Code of the division whose letter it is; null for the platform's. */
        #[ORM\Column(length: 32, nullable: true, options: Charset::CODE)]
        public readonly ?string $division = null,
    ) {}
}
