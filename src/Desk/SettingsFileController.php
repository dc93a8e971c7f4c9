<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The settings and rules of the platform as one file: saved, compared and brought in by its administrators. */
final readonly class SettingsFileController
{
    private const MAY = 'desk.only-platform-administrator-sets';

    public function __construct(private SettingsFile $file, private Transaction $transaction) {}

    #[Route('/settings/file', name: 'settings_file', methods: ['GET'])]
    public function save(#[CurrentUser] Caller $caller): Response
    {
        $caller->mustAdministerPlatform(self::MAY);

        return new Response($this->file->write(), 200, [
            'Content-Type' => 'application/yaml',
            'Content-Disposition' => 'attachment; filename="platform.yaml"',
        ]);
    }

    #[Expensive]
    #[Route('/settings/file', name: 'bring_settings_file', methods: ['PUT'])]
    public function bring(
        #[MapRequestPayload] SettingsFileRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::MAY);
        $wanted = $this->file->read($body->text);
        if (!$body->apply) {
            return new Answer($this->file->plan($wanted));
        }

        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer($this->file->apply($wanted, $caller, IfMatch::of($request))),
        );
    }
}
