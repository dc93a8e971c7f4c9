<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Messages\Entity\Letter;
use MintDoor\Messages\Repository\Letters;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\InsideMail;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Problem;
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
        private Letters $letters,
        private InsideMail $mail,
    ) {}

    #[Route('/simulated-inbox', name: 'simulated_inbox', methods: ['GET'])]
    public function letters(#[CurrentUser] Caller $caller, #[MapQueryParameter] string $address = ''): Response
    {
        $caller->mustAdministerPlatform('messages.only-platform-administrators-look');
        if (!$this->mail->staysInside()) {
            throw Problem::notFound('simulated-inbox');
        }
        $typed = mb_strtolower(trim(mb_scrub($address)));

        return new Answer([
            'items' => array_map(
                fn(Letter $letter): array => [
                    'id' => $letter->id,
                    'address' => $letter->address,
                    'arrivedAt' => Instant::toJson($letter->arrivedAt),
                    'subject' => $letter->subject,
                    'text' => $this->letters->opened($letter->text),
                    'html' => $this->letters->opened($letter->html),
                ],
                $this->letters->to($typed, self::MOST),
            ),
        ]);
    }
}
