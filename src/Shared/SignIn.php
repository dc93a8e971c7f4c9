<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\CustomUserMessageAccountStatusException;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Http\Authentication\AuthenticationFailureHandlerInterface;
use Symfony\Component\Security\Http\Authentication\AuthenticationSuccessHandlerInterface;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;

/**
 * What a sign-in answers: who you are now; or one sentence that does not tell whether it was the name or the password.
 */
final readonly class SignIn implements
    AuthenticationSuccessHandlerInterface,
    AuthenticationFailureHandlerInterface,
    AuthenticationEntryPointInterface
{
    public function __construct(private Me $me, private CallerProvider $callers) {}

    public function onAuthenticationSuccess(Request $request, TokenInterface $token): Response
    {
        $caller = $token->getUser();
        \assert($caller instanceof Caller);

        $this->callers->used($caller->id);

        return new Answer($this->me->of($caller));
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        if ($exception instanceof CustomUserMessageAccountStatusException) {
            return (new Problem(ProblemType::SignInFailed, $exception->getMessageKey()))->response();
        }
        if ($exception instanceof TooManyLoginAttemptsAuthenticationException) {
            $minutes = max(1, (int) ($exception->getMessageData()['%minutes%'] ?? 1));

            return (new Problem(
                ProblemType::TooManyTries,
                1 === $minutes
                    ? 'Too many tries. Wait a minute, then try again.'
                    : \sprintf('Too many tries. Wait %d minutes, then try again.', $minutes),
                retryAfter: 60 * $minutes,
            ))->response();
        }

        return (new Problem(
            ProblemType::SignInFailed,
            'This name and password do not open an account. Check both; a tutor or administrator can give you a new '
                .'password.',
        ))->response();
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return (new Problem(ProblemType::NotSignedIn, 'Sign in to go on.'))->response();
    }
}
