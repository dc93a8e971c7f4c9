<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use Doctrine\DBAL\Connection;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sealer;
use MintDoor\Shared\SimulatedMail;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * What arrived in the simulated inboxes, links included; for platform administrators, who may set anybody's password
 * anyway. With a carrier to the outside it is not there.
 */
final readonly class SimulatedInboxController
{
    private const MOST = 60;

    public function __construct(
        private Connection $db,
        private Sealer $sealer,
        #[Autowire('%env(MAILER_DSN)%')] private string $dsn,
    ) {}

    #[Route('/simulated-inbox', name: 'simulated_inbox', methods: ['GET'])]
    public function letters(#[CurrentUser] Caller $caller, #[MapQueryParameter] string $address = ''): Response
    {
        if (!$caller->platformAdministrator) {
            throw Problem::notAllowed('Only platform administrators look into the simulated inboxes.');
        }
        if (!SimulatedMail::inUse($this->dsn)) {
            throw Problem::notFound('The simulated inbox');
        }
        $typed = addcslashes(mb_strtolower(trim(mb_scrub($address))), '%_\\').'%';

        return new Answer([
            'items' => array_map(
                fn(Row $row): array => [
                    'id' => $row->string('id'),
                    'address' => $row->string('address'),
                    'arrivedAt' => gmdate('Y-m-d\TH:i:s\Z', $row->instant('arrived_at')),
                    'subject' => $row->string('subject'),
                    'text' => (string) $this->sealer->openText($row->string('text'), 'letter'),
                    'html' => (string) $this->sealer->openText($row->string('html'), 'letter'),
                ],
                Row::all(
                    $this->db->fetchAllAssociative(
                        'SELECT id, address, arrived_at, subject, text, html FROM letter WHERE address LIKE ? '
                            .'ORDER BY arrived_at DESC, id DESC LIMIT '
                            .self::MOST,
                        [$typed],
                    ),
                ),
            ),
        ]);
    }
}
