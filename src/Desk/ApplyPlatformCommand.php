<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Caller;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

#[AsCommand(
    'platform:apply',
    'Puts a file of settings in force, as the administrator named by --as: exits with 0 when it holds, 1 when it '
        .'cannot be',
)]
final class ApplyPlatformCommand extends PlatformFileCommand
{
    protected function with(SettingsWanted $wanted, InputInterface $input, OutputInterface $output): int
    {
        $caller = $this->administrator($input->getOption('as'));
        if (null === $caller) {
            $output->writeln('Say by --as with whose login it is done: a platform administrator who has an account.');

            return self::WRONG;
        }
        $plan = $this->file->plan($wanted);
        $this->show($plan, $output);
        if ([] !== $plan->problems()) {
            return self::WRONG;
        }
        $this->transaction->job([], fn(): SettingsPlan => $this->file->apply($wanted, $caller));

        return self::SAME;
    }

    private function administrator(mixed $login): ?Caller
    {
        try {
            $caller = \is_string($login) ? $this->callers->loadUserByIdentifier($login) : null;
        } catch (UserNotFoundException) {
            return null;
        }

        return $caller instanceof Caller && $caller->platformAdministrator ? $caller : null;
    }
}
