<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\MailServer;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\MailTrial;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\MailSecrets;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Throttle;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The password of the mail server, which is no setting, and a message to try it. */
final readonly class MailController
{
    private const MAY = 'desk.only-platform-administrator-sets';

    private const TRIES = 20;

    private const WINDOW = 3_600;

    public function __construct(
        private MailSecrets $secrets,
        private MailTrial $trial,
        private PlatformSettings $settings,
        private Throttle $throttle,
        private Transaction $transaction,
        private History $history,
    ) {}

    #[Route('/settings/mail-password', name: 'keep_mail_password', methods: ['PUT'])]
    public function password(
        #[MapRequestPayload] MailPasswordRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::MAY);

        return $this->transaction->run($request, $caller, [], function () use ($body, $caller): Answer {
            $this->secrets->keep($body->password);
            $this->history->write(History::PLATFORM, $caller, new Happening('mail-password-kept'));

            return new Answer(['kept' => '' !== $body->password]);
        });
    }

    /** Sends a message and says what came of it. */
    #[Expensive]
    #[Route('/settings/mail-test', name: 'try_mail', methods: ['POST'])]
    public function try(
        #[MapRequestPayload] MailTestRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::MAY);
        $mail = $this->understand($body);
        if (!$this->throttle->hit('mail tried by '.$caller->id, self::TRIES, self::WINDOW)->isAccepted()) {
            throw new Problem(ProblemType::TooManyTries, 'desk.mail-tried-too-often', retryAfter: self::WINDOW);
        }
        $this->transaction->run($request, $caller, [], function () use ($mail, $caller): Answer {
            $this->history->write(History::PLATFORM, $caller, new Happening('mail-tried', ['host' => $mail->host]));

            return new Answer([]);
        });
        // A password that is kept is for the server it was kept for: nobody has it sent to another.
        $holds = $this->settings->read()->mail;
        $same = [$holds->host, $holds->port, $holds->user] === [$mail->host, $mail->port, $mail->user];
        $password = $body->password ?? ($same ? $this->secrets->password() : '');

        return new Answer($this->trial->send($mail, $password, $body->to));
    }

    /** @throws Problem of type `Invalid` where it could not be in force */
    private function understand(MailTestRequest $body): MailServer
    {
        $mail = SettingsCodec::read(['mail' => $body->mail])->mail;
        foreach (SettingsLaws::mail($mail) as $problem) {
            throw Problem::field('/'.$problem->where, $problem->code, 'desk.mail-server-cannot-be');
        }

        return $mail;
    }
}
