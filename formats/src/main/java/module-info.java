module wildflourish.formats { requires wildflourish.core; }
